import { BarChart, CustomChart, LineChart, ScatterChart } from "echarts/charts";
import {
  AriaComponent,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from "echarts/components";
import { init, use as wire, type EChartsCoreOption } from "echarts/core";
import { SVGRenderer } from "echarts/renderers";

// The one place where Apache ECharts (6.1) is wired: only what our charts use, drawn as SVG, loaded when one is shown.
wire([
  BarChart,
  CustomChart,
  LineChart,
  ScatterChart,
  AriaComponent,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
  SVGRenderer,
]);

/** What a chart is told: an option of the library. */
export type ChartOption = EChartsCoreOption;

/** A chart that stands in a page. */
export interface DrawnChart {
  readonly show: (option: ChartOption) => void;
  readonly fit: () => void;
  readonly end: () => void;
}

/** Draws into an element; `onPick` hears the name of what was clicked. */
export function drawIn(element: HTMLElement, onPick: (name: string) => void): DrawnChart {
  const chart = init(element, null, { renderer: "svg" });
  chart.on("click", ({ name }) => {
    if (name) onPick(name);
  });
  return {
    show: (option) => {
      chart.setOption(option, { notMerge: true });
    },
    fit: () => {
      chart.resize();
    },
    end: () => {
      chart.dispose();
    },
  };
}
