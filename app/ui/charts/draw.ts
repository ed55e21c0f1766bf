import { BarChart, CustomChart, LineChart, ScatterChart } from "echarts/charts";
import {
  AriaComponent,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from "echarts/components";
import { init, use as wire, type EChartsCoreOption } from "echarts/core";
import { CanvasRenderer, SVGRenderer } from "echarts/renderers";

// The one place where Apache ECharts (6.1) is wired: only what our charts use, loaded when one is shown.
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
  CanvasRenderer,
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

/** From how many marks on a chart is painted: each mark of a drawn one is an element of the page, and costs as much. */
const MANY = 300;

/**
 * Draws into an element; `onPick` hears the name of what was clicked. `marks` is how many marks it has, about: few are drawn
 * as SVG, sharp at any size and on paper, many are painted.
 */
export function drawIn(element: HTMLElement, marks: number, onPick: (name: string) => void): DrawnChart {
  const chart = init(element, null, { renderer: marks < MANY ? "svg" : "canvas" });
  chart.on("click", ({ name }) => {
    if (name) onPick(name);
  });
  return {
    show: (option) => {
      chart.setOption(option, { notMerge: true });
    },
    fit: () => {
      // The observer also calls when it begins to look: nothing has changed then.
      if (chart.getWidth() !== element.clientWidth || chart.getHeight() !== element.clientHeight) chart.resize();
    },
    end: () => {
      chart.dispose();
    },
  };
}
