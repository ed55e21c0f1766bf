import type { PdfPage } from "../pages/pdf-document";

type TextContent = Awaited<ReturnType<PdfPage["getTextContent"]>>;

/** Shipped families that stand in for the fonts of a PDF in its invisible text. */
const FAMILIES = ['"Literata Variable"', '"Atkinson Hyperlegible Next Variable"', "monospace"] as const;
/** Lines shorter than this say little about a font's widths. */
const TELLING_LENGTH = 12;

/**
 * The text of a page with, for each of its fonts, the family whose letters are spaced most like it. pdf.js stretches
 * each line to its true width; the closer the family, the closer each letter lies to the one that is drawn.
 */
export async function fittedTextContent(page: PdfPage): Promise<TextContent> {
  const content = await page.getTextContent();
  await Promise.all(FAMILIES.map((family) => document.fonts.load(`16px ${family}`)));
  const pen = document.createElement("canvas").getContext("2d");
  if (!pen) return content;
  for (const [fontName, style] of Object.entries(content.styles)) {
    const samples = content.items.flatMap((item) =>
      "str" in item && item.fontName === fontName && item.str.length >= TELLING_LENGTH && item.width > 0 ? [item] : [],
    );
    // pdf.js knows which fonts have letters of one width; of the others a few short lines may look as if they had.
    const families = FAMILIES.filter((family) => (family === "monospace") === (style.fontFamily === "monospace"));
    if (samples.length === 0) continue;
    let best = Infinity;
    for (const family of families) {
      pen.font = `16px ${family}`;
      const stretches = samples.map((item) => pen.measureText(item.str).width / item.width);
      const spread = relativeSpread(stretches);
      if (spread < best) {
        best = spread;
        style.fontFamily = family;
      }
    }
  }
  return content;
}

/** Standard deviation over mean: 0 when every line needs the same stretch. */
function relativeSpread(values: readonly number[]): number {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
  return Math.sqrt(variance) / mean;
}
