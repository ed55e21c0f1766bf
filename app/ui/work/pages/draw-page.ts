import { fittedTextContent } from "../text/fitted-text";
import { PdfTextLayer, type PdfPage } from "./pdf-document";
import type { Turn } from "../marks/turn";

/** A page as it is drawn: its picture and its selectable text, not yet part of the screen. */
export interface DrawnPage {
  /** Height over width. */
  readonly shape: number;
  readonly canvas: HTMLCanvasElement;
  readonly text: HTMLElement;
  /** The text once picture and text are whole; null where the drawing was cancelled. */
  readonly done: Promise<HTMLElement | null>;
  readonly cancel: () => void;
}

/** Height over width from which on a page is cut: a roll of paper, not a page. */
export const TALLEST = 20;
/** Most pixels of one page's picture. */
const MOST_PIXELS = 16_000_000;

/** Draws a page `width` pixels wide, as sharp as the screen. */
export function drawPage(page: PdfPage, width: number, turn: Turn): DrawnPage {
  const rotation = (page.rotate + turn * 90) % 360;
  const scale = width / page.getViewport({ scale: 1, rotation }).width;
  const viewport = page.getViewport({ scale, rotation });
  // Of a page that is longer than any paper, its beginning is drawn.
  const shape = Math.min(TALLEST, viewport.height / viewport.width);
  const height = viewport.width * shape;
  const sharpness = Math.min(2, window.devicePixelRatio || 1, Math.sqrt(MOST_PIXELS / (viewport.width * height)));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.floor(viewport.width * sharpness));
  canvas.height = Math.max(1, Math.floor(height * sharpness));
  canvas.className = "absolute inset-0 size-full";
  canvas.setAttribute("aria-hidden", "true");
  const text = document.createElement("div");
  text.className = "text-layer";
  text.style.setProperty("--total-scale-factor", String(scale));
  text.style.setProperty("--scale-factor", String(scale));
  const painting = page.render({
    canvas,
    viewport,
    ...(sharpness === 1 ? {} : { transform: [sharpness, 0, 0, sharpness, 0, 0] }),
  });
  let layer: InstanceType<typeof PdfTextLayer> | null = null;
  let cancelled = false;
  const writeText = async () => {
    const textContentSource = await fittedTextContent(page);
    if (cancelled) return;
    layer = new PdfTextLayer({ textContentSource, container: text, viewport });
    await layer.render();
  };
  const done = Promise.all([painting.promise, writeText()]).then(
    () => (cancelled ? null : text),
    () => null, // cancelled, because the page went out of view
  );
  return {
    shape,
    canvas,
    text,
    done,
    cancel: () => {
      cancelled = true;
      painting.cancel();
      layer?.cancel();
    },
  };
}
