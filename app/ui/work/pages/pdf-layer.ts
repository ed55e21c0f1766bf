import { fittedTextContent } from "../text/fitted-text";
import { PdfTextLayer, type PdfDocument } from "./pdf-document";
import { boxesOf, mapText, type Box, type TextMap } from "../text/text-map";

/** A stretch of a line in points of its page: x and y of the upper left, upper right, lower left and lower right. */
type Quad = readonly [number, number, number, number, number, number, number, number];

type Viewport = ReturnType<Awaited<ReturnType<PdfDocument["getPage"]>>["getViewport"]>;

/** The text of a page with the places of its letters, laid out beside the screen. */
export interface PageLayer {
  readonly map: TextMap;
  /** The lines of a stretch of the text, in points of the page. */
  readonly quadsOf: (start: number, end: number) => Quad[];
  /** The stretch of text whose letters lie in some lines; null where there is none. */
  readonly textIn: (quads: readonly Quad[]) => { readonly start: number; readonly end: number } | null;
  /** The word nearest to a place in shares of the page; null on a page without words. */
  readonly wordAt: (x: number, y: number) => { readonly start: number; readonly end: number } | null;
}

/** Scale at which letters are measured; larger than life, so that rounding to pixels does not show. */
const SCALE = 2;

/** Lays out the text of a page out of sight, hands it to `look`, and takes it away again. */
export async function withPageLayer<T>(pdf: PdfDocument, number: number, look: (layer: PageLayer) => T): Promise<T> {
  const page = await pdf.getPage(number);
  const viewport = page.getViewport({ scale: SCALE });
  // pdf.js gives the layer a size of its own making; the frame around it has the page's.
  const frame = document.createElement("div");
  frame.style.cssText = `position:fixed;left:0;top:0;width:${String(viewport.width)}px;height:${String(viewport.height)}px;visibility:hidden;pointer-events:none;z-index:-1;`;
  const root = document.createElement("div");
  root.className = "text-layer";
  root.style.setProperty("--total-scale-factor", String(SCALE));
  root.style.setProperty("--scale-factor", String(SCALE));
  frame.append(root);
  document.body.append(frame);
  try {
    const layer = new PdfTextLayer({ textContentSource: await fittedTextContent(page), container: root, viewport });
    await layer.render();
    return look(layerOf(root, frame, viewport));
  } finally {
    frame.remove();
  }
}

function layerOf(root: HTMLElement, frame: HTMLElement, viewport: Viewport): PageLayer {
  const map = mapText(root);
  const boxesAt = (start: number, end: number): Box[] => {
    const range = map.toRange(start, end);
    return range ? boxesOf(range, frame) : [];
  };
  const point = (x: number, y: number) =>
    viewport.convertToPdfPoint(x * viewport.width, y * viewport.height) as [number, number];
  const shareOf = (x: number, y: number): [number, number] => {
    const [across, down] = viewport.convertToViewportPoint(x, y) as [number, number];
    return [across / viewport.width, down / viewport.height];
  };
  const middles = () =>
    Array.from({ length: map.length }, (_, at) => {
      const box = boxesAt(at, at + 1)[0];
      return box ? { at, x: box.x + box.width / 2, y: box.y + box.height / 2 } : null;
    }).filter((middle) => middle !== null);
  return {
    map,
    quadsOf: (start, end) =>
      boxesAt(start, end).map(({ x, y, width, height }): Quad => [
        ...point(x, y),
        ...point(x + width, y),
        ...point(x, y + height),
        ...point(x + width, y + height),
      ]),
    textIn: (quads) => {
      const frames = quads.map((quad) => {
        const corners = [0, 2, 4, 6].map((at) => shareOf(quad[at] ?? 0, quad[at + 1] ?? 0));
        const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
        return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
      });
      const inside = middles().filter(({ x, y }) =>
        frames.some((frame) => x >= frame.left && x <= frame.right && y >= frame.top && y <= frame.bottom),
      );
      const [first, last] = [inside[0], inside.at(-1)];
      return first && last ? { start: first.at, end: last.at + 1 } : null;
    },
    wordAt: (x, y) => {
      const far = (middle: { x: number; y: number }) =>
        Math.hypot((middle.x - x) * viewport.width, (middle.y - y) * viewport.height * 2);
      const nearest = middles().sort((a, b) => far(a) - far(b))[0];
      return nearest ? wordAround([...map.text], nearest.at) : null;
    },
  };
}

function wordAround(letters: readonly string[], at: number): { start: number; end: number } {
  let [start, end] = [at, at + 1];
  while (start > 0 && letters[start - 1] !== " ") start -= 1;
  while (end < letters.length && letters[end] !== " ") end += 1;
  return { start, end };
}
