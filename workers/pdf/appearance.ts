import type { PDFDocument, PDFRef } from "@cantoo/pdf-lib";
import { getStroke } from "perfect-freehand";
import type { Stroke } from "#core/model";
import type { Quad } from "./messages";
import type { PageFrame } from "./page-frame";

/** Lower left and upper right corner, in points. */
export type Rect = readonly [number, number, number, number];

/** Points with two decimals, as content streams want them. */
export const figures = (...values: readonly number[]): string => values.map((value) => value.toFixed(2)).join(" ");

/** `#rrggbb` as three shares for a colour operator. */
export const colourOf = (hex: string): [number, number, number] => [
  parseInt(hex.slice(1, 3), 16) / 255,
  parseInt(hex.slice(3, 5), 16) / 255,
  parseInt(hex.slice(5, 7), 16) / 255,
];

const shares = (hex: string) =>
  colourOf(hex)
    .map((value) => value.toFixed(3))
    .join(" ");

/** Turns an upright drawing so that it stands upright on a page that is shown turned. */
const UPRIGHT: Readonly<Record<PageFrame["quarters"], readonly number[]>> = {
  0: [1, 0, 0, 1, 0, 0],
  1: [0, 1, -1, 0, 0, 0],
  2: [-1, 0, 0, -1, 0, 0],
  3: [0, -1, 1, 0, 0, 0],
};

/** Resources of a drawing: fonts, or ways to paint. */
type Resources = Readonly<Record<string, unknown>>;

/** Registers a drawing as a form (ISO 32000-1, 8.10). */
export function form(
  document: PDFDocument,
  operators: string,
  box: Rect,
  more: { readonly quarters?: PageFrame["quarters"]; readonly resources?: Resources } = {},
): PDFRef {
  const { context } = document;
  const stream = context.stream(operators, {
    Type: "XObject",
    Subtype: "Form",
    FormType: 1,
    BBox: [...box],
    Matrix: [...UPRIGHT[more.quarters ?? 0]],
    Resources: (more.resources ?? {}) as never,
  });
  return context.register(stream);
}

/** A wash over the words that lets them through, and a line below, as on the screen. */
export function highlightForm(document: PDFDocument, quads: readonly Quad[], rect: Rect, colour: string): PDFRef {
  const washes = quads.map(
    (q) => `${figures(q[0], q[1])} m ${figures(q[2], q[3])} l ${figures(q[6], q[7])} l ${figures(q[4], q[5])} l h f`,
  );
  const lines = quads.map((q) => `${figures(q[4], q[5])} m ${figures(q[6], q[7])} l S`);
  const wash = { Type: "ExtGState", BM: "Multiply", ca: 0.28, CA: 1 };
  return form(
    document,
    `/Wash gs ${shares(colour)} rg ${shares(colour)} RG 1 w ${washes.join(" ")} ${lines.join(" ")}`,
    rect,
    {
      resources: { ExtGState: { Wash: wash } },
    },
  );
}

/** A line through the words, at 45 % of their height from below, or under them. */
export function lineForm(
  document: PDFDocument,
  quads: readonly Quad[],
  rect: Rect,
  colour: string,
  at: "through" | "under",
): PDFRef {
  const share = at === "through" ? 0.45 : 0.04;
  const between = (q: Quad, top: 0 | 2, bottom: 4 | 6) =>
    figures(
      q[bottom] + (q[top] - q[bottom]) * share,
      (q[bottom + 1] ?? 0) + ((q[top + 1] ?? 0) - (q[bottom + 1] ?? 0)) * share,
    );
  const lines = quads.map((q) => `${between(q, 0, 4)} m ${between(q, 2, 6)} l S`);
  return form(document, `${shares(colour)} RG 1.3 w ${lines.join(" ")}`, rect);
}

/** Signs drawn upright in a box of 24 by 24 points. */
const SIGNS = {
  tick: "3 w 1 J 1 j 4 11 m 9.5 5 l 20 19 l S",
  query:
    "3 w 1 J 1 j 8 15.5 m 8 18 9.8 19.5 12 19.5 c 14.2 19.5 16 18 16 15.5 c 16 12.5 12 12.5 12 9 c S 12 4.8 m 12 4.4 l S",
  caret: "2 w 0 j 4 4 m 12 18 l 20 4 l S",
} as const;

/** A sign in a rectangle of its page. */
export const signForm = (
  document: PDFDocument,
  sign: keyof typeof SIGNS,
  colour: string,
  quarters: PageFrame["quarters"],
): PDFRef => form(document, `${shares(colour)} RG ${SIGNS[sign]}`, [0, 0, 24, 24], { quarters });

/** A pin in a box of 20 by 26 points, its tip in the middle of the lower edge. */
export const pinForm = (document: PDFDocument, colour: string, quarters: PageFrame["quarters"]): PDFRef =>
  form(
    document,
    `1 1 1 rg ${shares(colour)} RG 2 w 10 1 m 8 7 2.5 11 2.5 16.5 c 2.5 20.6 5.9 24 10 24 c 14.1 24 17.5 20.6 17.5 16.5 c 17.5 11 12 7 10 1 c b ` +
      `${shares(colour)} rg 7.2 13.7 5.6 5.6 re f`,
    [0, 0, 20, 26],
    { quarters },
  );

/** Thickness of the pen at middle pressure, in shares of the page's width as shown. */
const PEN_WIDTH = 0.0028;

/** What a pen wrote, as thick as it was pressed. */
export function inkForm(
  document: PDFDocument,
  strokes: readonly Stroke[],
  frame: PageFrame,
  rect: Rect,
  colour: string,
): PDFRef {
  const outlines = strokes.map((stroke) => {
    const points = stroke.map(([x, y, pressure]) => [...frame.toPoint(x, y), pressure]);
    const size = PEN_WIDTH * 2 * frame.width;
    const outline = getStroke(points, { size, thinning: 0.6, simulatePressure: false, last: true });
    return outline.map(([x, y], index) => `${figures(x, y)} ${index === 0 ? "m" : "l"}`).join(" ");
  });
  const drawn = outlines.filter((outline) => outline !== "").map((outline) => `${outline} h f`);
  return form(document, `${shares(colour)} rg ${drawn.join(" ")}`, rect);
}
