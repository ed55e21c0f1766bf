import * as pdfjs from "pdfjs-dist";
import { takeHelper } from "./pdf-helper";

/** Dots an inch at which pages are looked at; a PDF counts 72 points an inch. */
const DOTS = 150;
const POINTS = 72;
/** Longest side of a page in dots: larger paper is looked at more coarsely. */
const LONGEST = 2_600;

/** What pdf.js reads beside the file comes from our own address. A worker has no document whose fonts could be used. */
const OWN_FILES = {
  cMapUrl: "/pdfjs/cmaps/",
  cMapPacked: true,
  standardFontDataUrl: "/pdfjs/standard_fonts/",
  wasmUrl: "/pdfjs/wasm/",
  iccUrl: "/pdfjs/iccs/",
  isEvalSupported: false,
  enableXfa: false,
  disableFontFace: true,
  useWorkerFetch: true,
} as const;

/** Canvases of a worker. The methods' names are those that pdf.js asks for. */
class WorkerCanvases {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(width, height);
    return { canvas, context: canvas.getContext("2d", { willReadFrequently: true }) };
  }
  reset({ canvas }: { canvas: OffscreenCanvas }, width: number, height: number) {
    canvas.width = width;
    canvas.height = height;
  }
  destroy({ canvas }: { canvas: OffscreenCanvas }) {
    canvas.width = canvas.height = 0;
  }
}

/** Filters need a document; a scan is read without them. */
class NoFilters {
  addFilter = () => "none";
  addHCMFilter = () => "none";
  addAlphaFilter = () => "none";
  addLuminosityFilter = () => "none";
  addHighlightHCMFilter = () => "none";
  destroy = () => undefined;
}

/** A page of a PDF, to be read and drawn; it is let go before the next. */
export interface DrawablePage {
  readonly place: number;
  readonly all: number;
  readonly page: pdfjs.PDFPageProxy;
  /** Draws the page as it says that it lies; the canvas is used again for the next. */
  readonly draw: () => Promise<{ readonly canvas: OffscreenCanvas; readonly viewport: pdfjs.PageViewport }>;
}

/** The pages of a PDF one after the other, in a worker. @throws what pdf.js throws for what it cannot read */
export async function* drawablePages(blob: Blob): AsyncGenerator<DrawablePage> {
  const task = pdfjs.getDocument({
    data: await blob.arrayBuffer(),
    worker: takeHelper(),
    ...OWN_FILES,
    CanvasFactory: WorkerCanvases,
    FilterFactory: NoFilters,
  });
  try {
    const document = await task.promise;
    const canvas = new OffscreenCanvas(1, 1);
    for (let place = 1; place <= document.numPages; place += 1) {
      const page = await document.getPage(place);
      const draw = async () => {
        const size = page.getViewport({ scale: 1 });
        const scale = Math.min(DOTS / POINTS, LONGEST / Math.max(size.width, size.height));
        const viewport = page.getViewport({ scale });
        canvas.width = Math.max(1, Math.floor(viewport.width));
        canvas.height = Math.max(1, Math.floor(viewport.height));
        // Read back often: the drawing stays where it can be.
        if (!canvas.getContext("2d", { willReadFrequently: true })) throw new Error("no drawing in this worker");
        // "print" draws without waiting for the screen, which a worker of a page that is not looked at would do for ever.
        await page.render({ canvas: canvas as unknown as HTMLCanvasElement, viewport, intent: "print" }).promise;
        return { canvas, viewport };
      };
      yield { place, all: document.numPages, page, draw };
      page.cleanup();
    }
  } finally {
    await task.destroy();
  }
}
