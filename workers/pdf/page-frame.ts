import type { PDFPage } from "@cantoo/pdf-lib";

/** A page as a reader sees it: where shares of it lie in its own points, and which way is right and down. */
export interface PageFrame {
  /** Width and height as shown, in points. */
  readonly width: number;
  readonly height: number;
  /** Quarters by which it is shown turned clockwise. */
  readonly quarters: 0 | 1 | 2 | 3;
  readonly toPoint: (x: number, y: number) => readonly [number, number];
  readonly toShare: (x: number, y: number) => readonly [number, number];
  /** Points to the right and downwards as shown, from a point, in the page's own points. */
  readonly shift: (from: readonly [number, number], right: number, down: number) => readonly [number, number];
}

/** Directions of right and down on a page shown turned by so many quarters, in the page's own axes. */
const AXES = [
  { right: [1, 0], down: [0, -1] },
  { right: [0, 1], down: [1, 0] },
  { right: [-1, 0], down: [0, 1] },
  { right: [0, -1], down: [-1, 0] },
] as const;

/** Reads a page's crop box and rotation (ISO 32000-1, 14.11.2 and 7.7.3.3). */
export function pageFrame(page: PDFPage): PageFrame {
  const box = page.getCropBox();
  const quarters = (((Math.round(page.getRotation().angle / 90) % 4) + 4) % 4) as PageFrame["quarters"];
  const { right, down } = AXES[quarters];
  const lies = quarters % 2 === 1;
  const width = lies ? box.height : box.width;
  const height = lies ? box.width : box.height;
  // The corner that is shown at the upper left: the one from which both ways lead into the page.
  const corner = [
    right[0] + down[0] > 0 ? box.x : box.x + box.width,
    right[1] + down[1] > 0 ? box.y : box.y + box.height,
  ] as const;
  const shift = (from: readonly [number, number], across: number, along: number) =>
    [from[0] + right[0] * across + down[0] * along, from[1] + right[1] * across + down[1] * along] as const;
  return {
    width,
    height,
    quarters,
    shift,
    toPoint: (x, y) => shift(corner, x * width, y * height),
    toShare: (x, y) => {
      const [dx, dy] = [x - corner[0], y - corner[1]];
      return [(dx * right[0] + dy * right[1]) / width, (dx * down[0] + dy * down[1]) / height];
    },
  };
}

/** Lower left and upper right corner of the smallest rectangle around points, with a rim. */
export function rectAround(
  points: readonly (readonly [number, number])[],
  rim = 0,
): readonly [number, number, number, number] {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return [Math.min(...xs) - rim, Math.min(...ys) - rim, Math.max(...xs) + rim, Math.max(...ys) + rim];
}
