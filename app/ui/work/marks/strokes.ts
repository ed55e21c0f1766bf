import { getStroke } from "perfect-freehand";
import type { Stroke } from "#core/model";
import { turned, type Turn } from "./turn";

/** Thickness of the pen at middle pressure, in shares of the page's width. */
const PEN_WIDTH = 0.0028;
/** Points nearer than this to the one before say nothing new, in shares of the page. */
const NEAR = 0.0008;
/** How near the eraser must come to a stroke, in shares of the page's width. */
const REACH = 0.012;

/** The outline of a stroke as an SVG path over a page of so many pixels. */
export function strokePath(stroke: Stroke, width: number, height: number, turn: Turn): string {
  const outline = getStroke(
    stroke.map(([x, y, pressure]) => {
      const at = turned({ x, y }, turn);
      return [at.x * width, at.y * height, pressure];
    }),
    { size: PEN_WIDTH * 2 * (turn % 2 === 1 ? height : width), thinning: 0.6, simulatePressure: false, last: true },
  );
  const points = outline.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`);
  return points.length === 0 ? "" : `M${points.join("L")}Z`;
}

/** A stroke with its next point; the same stroke where that one says nothing new. */
export function withPoint(stroke: Stroke, x: number, y: number, pressure: number): Stroke {
  const [lastX, lastY] = stroke.at(-1) ?? [-1, -1];
  if (Math.hypot(x - lastX, y - lastY) < NEAR) return stroke;
  const round = (value: number) => Math.round(value * 10_000) / 10_000;
  return [...stroke, [round(x), round(y), Math.round(pressure * 100) / 100]];
}

/** Whether the eraser at a place touches a stroke; `shape` is the page's height over its width. */
export const touches = (stroke: Stroke, x: number, y: number, shape: number): boolean =>
  stroke.some(([px, py], index) => {
    const [qx, qy] = stroke[index + 1] ?? [px, py];
    const [dx, dy] = [qx - px, (qy - py) * shape];
    const along = dx === 0 && dy === 0 ? 0 : ((x - px) * dx + (y - py) * shape * dy) / (dx * dx + dy * dy);
    const at = Math.min(1, Math.max(0, along));
    return Math.hypot(x - px - at * dx, (y - py) * shape - at * dy) < REACH;
  });
