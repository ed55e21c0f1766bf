import { describe, expect, it } from "vitest";
import type { Stroke } from "#core/model";
import { strokePath, touches, withPoint } from "./strokes";

const LINE: Stroke = [
  [0.1, 0.5, 0.5],
  [0.9, 0.5, 0.5],
];
const xs = (path: string) => [...path.matchAll(/[ML]([\d.-]+) /g)].map(([, x]) => Number(x));

describe("strokes of the pen", () => {
  it("draws an outline as long as the stroke, in pixels of the page", () => {
    const places = xs(strokePath(LINE, 1000, 500, 0));
    expect(Math.min(...places)).toBeGreaterThan(85);
    expect(Math.min(...places)).toBeLessThan(115);
    expect(Math.max(...places)).toBeGreaterThan(885);
  });

  it("stands upright on a page that is turned by a quarter", () => {
    const places = xs(strokePath(LINE, 500, 1000, 1));
    expect(Math.max(...places) - Math.min(...places)).toBeLessThan(30);
  });

  it("is thicker where the pen was pressed", () => {
    const thickness = (pressure: number) => {
      const path = strokePath(
        LINE.map(([x, y]) => [x, y, pressure]),
        1000,
        500,
        0,
      );
      const ys = [...path.matchAll(/ ([\d.-]+)[LZ]/g)].map(([, y]) => Number(y));
      return Math.max(...ys) - Math.min(...ys);
    };
    expect(thickness(0.9)).toBeGreaterThan(thickness(0.2) * 1.3);
  });

  it("leaves out points that say nothing new and rounds the others", () => {
    const first = withPoint([], 0.123456, 0.5, 0.333);
    expect(first).toEqual([[0.1235, 0.5, 0.33]]);
    expect(withPoint(first, 0.1236, 0.5001, 0.4)).toBe(first);
    expect(withPoint(first, 0.2, 0.5, 0.4)).toHaveLength(2);
  });

  it("is touched between two of its points, measured on the page as it stands", () => {
    expect(touches(LINE, 0.5, 0.505, 1.4)).toBe(true);
    expect(touches(LINE, 0.5, 0.52, 1.4)).toBe(false);
    expect(touches(LINE, 0.95, 0.5, 1.4)).toBe(false);
    expect(touches([[0.3, 0.3, 1]], 0.305, 0.3, 1)).toBe(true);
  });
});
