import { useCallback } from "react";
import type { Spread, SpreadGroup } from "#core/statistics";
import { Chart } from "../../../ui/charts/chart";
import type { ChartColours } from "../../../ui/charts/chart-colours";
import { short } from "../figure-words";
import { swarm } from "./swarm";

/** Height of one row of dots and of what stands above and below the rows, in CSS pixels. */
const ROW = 46;
const FRAME = 64;
/** From how many papers on the dots are drawn smaller, and their size in CSS pixels. */
const MANY = 150;
const [DOT, SMALL_DOT] = [11, 6] as const;
/** How much of the scale is left free beside the outermost papers. */
const MARGIN = 0.04;

/** The class on the point scale: every dot a paper, behind them the letter bands and the pass mark. */
export function SpreadChart({
  label,
  spread,
  rows,
  nameOf,
  onOpen,
}: {
  readonly label: string;
  readonly spread: Spread;
  readonly rows: readonly { readonly name: string; readonly group: SpreadGroup }[];
  readonly nameOf: (studentId: string) => string;
  readonly onOpen: (studentId: string) => void;
}) {
  const draw = useCallback(
    (colours: ChartColours) => spreadOption(spread, rows, nameOf, colours),
    [spread, rows, nameOf],
  );
  const marks = rows.reduce((sum, { group }) => sum + group.papers.length, 0);
  return <Chart label={label} height={FRAME + ROW * rows.length} marks={marks} draw={draw} onPick={onOpen} />;
}

function spreadOption(
  spread: Spread,
  rows: readonly { readonly name: string; readonly group: SpreadGroup }[],
  nameOf: (studentId: string) => string,
  colours: ChartColours,
) {
  const points = spread.groups[0]?.papers.map((paper) => paper.points) ?? [];
  const lowest = Math.max(0, Math.floor(Math.min(...points) - MARGIN * spread.top));
  const top = spread.top + MARGIN * spread.top;
  const size = points.length > MANY ? SMALL_DOT : DOT;
  const labels = rows.map(({ name }) => name);
  return {
    grid: { left: 116, right: 12, top: 30, bottom: 30 },
    xAxis: {
      type: "value",
      min: lowest,
      max: top,
      axisLine: { lineStyle: { color: colours.rule } },
      axisLabel: { color: colours.soft, fontSize: 12, showMinLabel: false, showMaxLabel: false },
      splitLine: { show: false },
    },
    yAxis: {
      type: "category",
      data: labels,
      inverse: true,
      axisLine: { show: false },
      axisTick: { show: false },
      axisLabel: { color: colours.ink, fontSize: 13, align: "left", margin: 112, width: 104, overflow: "truncate" },
    },
    tooltip: {
      renderMode: "richText",
      backgroundColor: colours.ink,
      borderWidth: 0,
      textStyle: { color: colours.paper, fontSize: 13 },
      formatter: ({ name, value: [points = 0, , more = 0] }: { name: string; value: readonly number[] }) =>
        name === ""
          ? `median ${short(points)}`
          : `${nameOf(name)}${more > 0 ? ` and ${String(more)} more` : ""}: ${short(points, 2)}`,
    },
    series: [
      {
        type: "scatter",
        symbolSize: size,
        itemStyle: { color: colours["green-mid"], borderColor: colours.green, borderWidth: 1, opacity: 0.85 },
        emphasis: { itemStyle: { color: colours.green, opacity: 1 } },
        data: rows.flatMap(({ group }, row) =>
          swarm(group.papers, (top - lowest) / 90).map(({ paper, step, more }) => ({
            name: paper.studentId,
            value: [paper.points, row, more],
            symbolOffset: [0, step * size * 0.62],
          })),
        ),
        markArea: { silent: true, data: bandAreas(spread, lowest, top, colours) },
        markLine: {
          silent: true,
          symbol: "none",
          lineStyle: { color: colours.rule, type: "solid", width: 1 },
          label: { show: false },
          data: spread.bands.filter(({ from }) => from > lowest && from < top).map(({ from }) => ({ xAxis: from })),
        },
      },
      {
        type: "scatter",
        symbol: "rect",
        symbolSize: [3, 28],
        itemStyle: { color: colours.ink },
        data: rows.flatMap(({ group }, row) =>
          group.described.ok ? [{ name: "", value: [group.described.value.median, row] }] : [],
        ),
      },
    ],
  };
}

/** The letter bands with their letters above, and the stretch below the pass mark shaded. */
function bandAreas({ bands, passMark }: Spread, lowest: number, top: number, colours: ChartColours) {
  const area = (name: string, from: number, to: number, shade: boolean) => [
    {
      name,
      xAxis: from,
      itemStyle: { color: shade ? colours.table : "transparent" },
      label: { color: colours.soft, fontSize: 12, position: shade ? "insideTopLeft" : "insideTop", offset: [0, -24] },
    },
    { xAxis: to },
  ];
  const bottom = passMark !== null && passMark > lowest ? passMark : lowest;
  const lettered = bands.flatMap(({ letter, from }, at) => {
    const [start, end] = [Math.max(from, bottom), bands[at - 1]?.from ?? top];
    return end > start ? [area(letter, start, end, false)] : [];
  });
  return bottom > lowest ? [area("below the pass mark", lowest, bottom, true), ...lettered] : lettered;
}
