import { useCallback } from "react";
import { binCount, histogram, type Spread } from "#core/statistics";
import { Chart } from "../../../ui/charts/chart";
import type { ChartColours } from "../../../ui/charts/chart-colours";
import { short } from "../figure-words";

/** The scores of all papers in bars of equal width, their number by Freedman and Diaconis (1981). */
export function HistogramChart({ label, spread }: { readonly label: string; readonly spread: Spread }) {
  const draw = useCallback((colours: ChartColours) => histogramOption(spread, colours), [spread]);
  return <Chart label={`${label}, as a histogram`} height={220} draw={draw} />;
}

/** Fewest bars, so that a class of equals is no wall. */
const FEWEST = 6;

function histogramOption(spread: Spread, colours: ChartColours) {
  const points = spread.groups[0]?.papers.map((paper) => paper.points) ?? [];
  const bins = histogram(
    points,
    Math.min(...points),
    Math.max(...points),
    Math.max(FEWEST, binCount(points, "freedmanDiaconis")),
  );
  return {
    grid: { left: 40, right: 12, top: 16, bottom: 28 },
    xAxis: {
      type: "category",
      data: bins.map(({ from, to }) => `${short(from)} to ${short(to)}`),
      axisLine: { lineStyle: { color: colours.rule } },
      axisLabel: { color: colours.soft, fontSize: 12 },
      axisTick: { show: false },
    },
    yAxis: {
      type: "value",
      minInterval: 1,
      axisLabel: { color: colours.soft, fontSize: 12 },
      splitLine: { lineStyle: { color: colours.rule } },
    },
    series: [
      {
        type: "bar",
        barCategoryGap: "4%",
        itemStyle: { color: colours["green-mid"], borderColor: colours.green, borderWidth: 1 },
        label: { show: true, position: "top", color: colours.ink, fontSize: 12, formatter: "{c}" },
        data: bins.map(({ count }) => count),
      },
    ],
  };
}
