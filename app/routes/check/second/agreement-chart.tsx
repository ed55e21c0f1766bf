import { useCallback } from "react";
import type { Agreement } from "#core/statistics";
import { Chart } from "../../../ui/charts/chart";
import type { ChartColours } from "../../../ui/charts/chart-colours";
import { short } from "../figure-words";

interface AgreementChartProps {
  readonly agreement: Agreement;
  readonly nameOf: (studentId: string) => string;
  readonly onOpen: (studentId: string) => void;
}

interface Dot {
  readonly name: string;
  readonly value: readonly [number, number];
}

/** Second score against first: on the line both agree. */
export function SecondAgainstFirst({ agreement, nameOf, onOpen }: AgreementChartProps) {
  const draw = useCallback(
    (colours: ChartColours) => {
      const all = agreement.twice.flatMap(({ first, second }) => [first, second]);
      const [low, high] = bounds(all);
      return {
        ...frame(colours, { x: "first", y: "second", low, high, bottom: low, top: high }, nameOf),
        series: [
          line(colours, [
            [low, low],
            [high, high],
          ]),
          dots(
            colours,
            agreement.twice.map(({ studentId, first, second }) => ({ name: studentId, value: [first, second] })),
          ),
        ],
      };
    },
    [agreement, nameOf],
  );
  return <Chart label="Second score against first" height={250} draw={draw} onPick={onOpen} />;
}

/** Difference against mean, with the mean difference and its limits of agreement (Bland and Altman, 1986). */
export function DifferenceAgainstMean({ agreement, nameOf, onOpen }: AgreementChartProps) {
  const draw = useCallback(
    (colours: ChartColours) => {
      const points = agreement.twice.map(({ studentId, first, second }): Dot => ({
        name: studentId,
        value: [(first + second) / 2, second - first],
      }));
      const [low, high] = bounds(points.map(({ value }) => value[0]));
      const { limits } = agreement;
      const lines = limits.ok ? [limits.value.lower, limits.value.mean, limits.value.upper] : [0];
      const [bottom, top] = bounds([...points.map(({ value }) => value[1]), ...lines, 0]);
      return {
        ...frame(colours, { x: "mean of both", y: "second less first", low, high, bottom, top }, nameOf),
        series: [
          ...lines.map((at, place) =>
            line(
              colours,
              [
                [low, at],
                [high, at],
              ],
              place !== 1 && lines.length > 1,
            ),
          ),
          dots(colours, points),
        ],
      };
    },
    [agreement, nameOf],
  );
  return <Chart label="Difference against mean" height={250} draw={draw} onPick={onOpen} />;
}

function bounds(values: readonly number[]): readonly [number, number] {
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const margin = Math.max(1, (high - low) * 0.08);
  return [Math.floor(low - margin), Math.ceil(high + margin)];
}

interface Axes {
  readonly x: string;
  readonly y: string;
  readonly low: number;
  readonly high: number;
  readonly bottom: number;
  readonly top: number;
}

function frame(colours: ChartColours, { x, y, low, high, bottom, top }: Axes, nameOf: (id: string) => string) {
  const axis = (name: string, min: number, max: number) => ({
    type: "value",
    name,
    nameLocation: "middle",
    nameGap: 26,
    nameTextStyle: { color: colours.soft, fontSize: 12 },
    min,
    max,
    axisLine: { show: true, lineStyle: { color: colours.rule } },
    axisLabel: { color: colours.soft, fontSize: 12, showMinLabel: false, showMaxLabel: false },
    splitLine: { lineStyle: { color: colours.rule, opacity: 0.6 } },
  });
  return {
    grid: { left: 48, right: 10, top: 10, bottom: 40 },
    xAxis: axis(x, low, high),
    yAxis: axis(y, bottom, top),
    tooltip: {
      renderMode: "richText",
      backgroundColor: colours.ink,
      borderWidth: 0,
      textStyle: { color: colours.paper, fontSize: 13 },
      formatter: ({ name, value }: Dot) => `${nameOf(name)}: ${x} ${short(value[0])}, ${y} ${short(value[1])}`,
    },
  };
}

const line = (colours: ChartColours, data: readonly (readonly [number, number])[], isDashed = false) => ({
  type: "line",
  silent: true,
  symbol: "none",
  lineStyle: { color: colours.soft, width: 1, type: isDashed ? "dashed" : "solid" },
  data,
});

const dots = (colours: ChartColours, data: readonly Dot[]) => ({
  type: "scatter",
  symbolSize: 11,
  itemStyle: { color: colours["green-mid"], borderColor: colours.green, borderWidth: 1, opacity: 0.9 },
  data,
});
