import { rgb, type PDFPage } from "@cantoo/pdf-lib";
import type { FontFile } from "./messages";
import { widthOf, type Typeface } from "./typeface";

/** Points of a millimetre. */
export const MM = 72 / 25.4;

/** Colours of printed sheets. */
export const INK = rgb(0, 0, 0);
export const SOFT = rgb(0.337, 0.357, 0.439);

/** A page and the fonts it is written in. */
export interface Writing {
  readonly page: PDFPage;
  readonly type: Typeface;
}

/** One line of a printed sheet; lengths in points, from the lower left corner. */
export interface Line {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly weight?: FontFile["weight"];
  readonly soft?: boolean;
  /** Widest it may be in points; a longer text is set smaller. */
  readonly most: number;
}

/** Writes one line. */
export async function write(
  { page, type }: Writing,
  { text, x, y, size, weight = "text", soft, most }: Line,
): Promise<void> {
  const wide = await type.width(text, weight, size);
  const fitted = wide > most ? (size * most) / wide : size;
  let at = x;
  for (const run of await type.runs(text, weight)) {
    page.drawText(run.text, { x: at, y, size: fitted, font: run.font, color: soft ? SOFT : INK });
    at += widthOf(run, fitted);
  }
}
