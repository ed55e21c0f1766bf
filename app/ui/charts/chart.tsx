import { useEffect, useRef } from "react";
import { useChartColours, type ChartColours } from "./chart-colours";
import type { ChartOption, DrawnChart } from "./draw";

interface ChartProps {
  /** What is drawn, in words. */
  readonly label: string;
  readonly height: number;
  /** How many marks it has, about; few where left out. */
  readonly marks?: number;
  /** The option in the colours of the light that is on; the same function while the figures are the same. */
  readonly draw: (colours: ChartColours) => ChartOption;
  /** Hears the name of a point that was clicked. */
  readonly onPick?: (name: string) => void;
}

/** The font of the page, for the words of a chart. */
const FONT = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';

/**
 * A chart as a picture; its figures stand in a table beside it (`WithTable`). What draws it comes when it is shown. Motion is
 * left out everywhere: a figure that moves cannot be read.
 */
export function Chart({ label, height, marks = 0, draw, onPick }: ChartProps) {
  const frame = useRef<HTMLDivElement>(null);
  const colours = useChartColours();
  const latest = useRef({ draw, onPick, colours });
  const drawn = useRef<DrawnChart | null>(null);
  const marksAtFirst = useRef(marks);
  useEffect(() => {
    latest.current = { draw, onPick, colours };
    drawn.current?.show(whole(draw, colours));
  }, [draw, onPick, colours]);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    let isHere = true;
    const fit = new ResizeObserver(() => drawn.current?.fit());
    void import("./draw").then(({ drawIn }) => {
      if (!isHere) return;
      const chart = drawIn(element, marksAtFirst.current, (name) => latest.current.onPick?.(name));
      drawn.current = chart;
      chart.show(whole(latest.current.draw, latest.current.colours));
      fit.observe(element);
    });
    return () => {
      isHere = false;
      fit.disconnect();
      drawn.current?.end();
      drawn.current = null;
    };
  }, []);
  return <div ref={frame} role="img" aria-label={label} style={{ height }} className="w-full" />;
}

const whole = (draw: ChartProps["draw"], colours: ChartColours): ChartOption => ({
  animation: false,
  textStyle: { fontFamily: FONT, color: colours.ink },
  ...draw(colours),
});
