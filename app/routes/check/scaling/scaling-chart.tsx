import { useCallback } from "react";
import type { ScalingPreview } from "#core/statistics";
import { Chart } from "../../../ui/charts/chart";
import type { ChartColours } from "../../../ui/charts/chart-colours";

/** Two rows of dots, before and after, and a thin line from each paper to where it would stand. */
export function ScalingChart({ label, preview }: { readonly label: string; readonly preview: ScalingPreview }) {
  const draw = useCallback((colours: ChartColours) => scalingOption(preview, colours), [preview]);
  return <Chart label={label} height={170} draw={draw} />;
}

function scalingOption({ papers }: ScalingPreview, colours: ChartColours) {
  const all = papers.flatMap(({ before, after }) => [before, after]);
  const [lowest, highest] = [Math.min(...all), Math.max(...all)];
  const margin = Math.max(1, (highest - lowest) * 0.04);
  return {
    grid: { left: 70, right: 12, top: 8, bottom: 28 },
    xAxis: {
      type: "value",
      min: Math.floor(lowest - margin),
      max: Math.ceil(highest + margin),
      axisLine: { lineStyle: { color: colours.rule } },
      axisLabel: { color: colours.soft, fontSize: 12 },
      splitLine: { show: false },
    },
    yAxis: {
      type: "category",
      data: ["before", "after"],
      inverse: true,
      axisLine: { show: false },
      axisTick: { show: false },
      axisLabel: { color: colours.ink, fontSize: 13, align: "left", margin: 66 },
    },
    series: [
      ...papers.map(({ before, after }) => ({
        type: "line",
        silent: true,
        symbol: "none",
        lineStyle: { color: after < before ? colours.ochre : colours["green-mid"], width: 1 },
        data: [
          [before, 0],
          [after, 1],
        ],
      })),
      {
        type: "scatter",
        symbolSize: 9,
        itemStyle: { color: colours["green-mid"], borderColor: colours.green, borderWidth: 1 },
        data: papers.flatMap(({ before, after }) => [
          [before, 0],
          [after, 1],
        ]),
      },
    ],
  };
}
