import { PDFDocument } from "@cantoo/pdf-lib";
import type { PageViewport } from "pdfjs-dist";
import { placesOfNames } from "#core/packets";
import { drawablePages } from "../drawable-pages";

type Bytes = Uint8Array<ArrayBuffer>;

/** How well a page that became a picture is packed, from 0 to 1. */
const QUALITY = 0.9;
/** Letters that are covered beside a name: how wide each letter is, a PDF does not say. */
const BESIDE = 1;

/** A run of words of a page, as pdf.js gives it: where it begins, how it lies, how long and high it is, in points. */
interface Run {
  readonly str: string;
  readonly transform: readonly number[];
  readonly width: number;
  readonly height: number;
  readonly hasEOL: boolean;
}

/** A rectangle in points of the page: left, bottom, right, top. */
type Box = readonly [number, number, number, number];

/**
 * A PDF on whose pages names are painted over: such a page becomes a picture of itself, without its words, so that
 * nothing can be read from under the paint. Null where no page names anybody. @throws what the readers throw
 */
export async function coveredPdf(bytes: Bytes, names: readonly string[]): Promise<Bytes | null> {
  const pictures = new Map<number, { readonly jpeg: ArrayBuffer; readonly width: number; readonly height: number }>();
  for await (const { place, page, draw } of drawablePages(new Blob([bytes]))) {
    const { items } = await page.getTextContent();
    const boxes = boxesOfNames(
      items.flatMap((item) => ("str" in item ? [item as Run] : [])),
      names,
    );
    if (boxes.length === 0) continue;
    const { canvas, viewport } = await draw();
    paint(canvas, viewport, boxes);
    const jpeg = await (await canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY })).arrayBuffer();
    const { width, height } = page.getViewport({ scale: 1 });
    pictures.set(place - 1, { jpeg, width, height });
  }
  if (pictures.size === 0) return null;
  const from = await PDFDocument.load(bytes, { updateMetadata: false });
  // A new document: of an old one everything is written that was ever in it.
  const made = await PDFDocument.create({ updateMetadata: false });
  for (const place of from.getPageIndices()) {
    const picture = pictures.get(place);
    if (!picture) {
      const [kept] = await made.copyPages(from, [place]);
      if (kept) made.addPage(kept);
      continue;
    }
    const { jpeg, width, height } = picture;
    made.addPage([width, height]).drawImage(await made.embedJpg(jpeg), { x: 0, y: 0, width, height });
  }
  return await made.save();
}

/** Where names stand on a page, whether they lie in one run of words or go over several. */
export function boxesOfNames(runs: readonly Run[], names: readonly string[]): Box[] {
  let text = "";
  const starts = runs.map(({ str, hasEOL }) => {
    const start = text.length;
    text += str + (hasEOL ? "\n" : "");
    return start;
  });
  return placesOfNames(text, names).flatMap(([from, to]) =>
    runs.flatMap((run, at) => {
      const start = starts[at] ?? 0;
      const [first, last] = [Math.max(from - start, 0), Math.min(to - start, run.str.length)];
      return last > first ? [boxOf(run, first, last)] : [];
    }),
  );
}

function boxOf({ str, transform, width, height }: Run, first: number, last: number): Box {
  const [, b = 0, c = 0, , x = 0, y = 0] = transform;
  // Words that do not lie level are covered as far as they could reach.
  if (Math.abs(b) > 0.01 || Math.abs(c) > 0.01) {
    const reach = Math.max(width, height) * 1.1;
    return [x - reach, y - reach, x + reach, y + reach];
  }
  const letter = width / Math.max(1, str.length);
  const left = x + Math.max(0, first - BESIDE) * letter;
  const right = x + Math.min(str.length, last + BESIDE) * letter;
  return [left, y - 0.3 * height, right, y + height];
}

function paint(canvas: OffscreenCanvas, viewport: PageViewport, boxes: readonly Box[]): void {
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) throw new Error("no drawing in this worker");
  context.fillStyle = "#222";
  for (const box of boxes) {
    const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = viewport.convertToViewportRectangle([...box]) as number[];
    context.fillRect(Math.min(x1, x2), Math.min(y1, y2), Math.abs(x2 - x1), Math.abs(y2 - y1));
  }
}
