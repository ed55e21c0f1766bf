import * as pdfjs from "pdfjs-dist";
import workerUrl from "pdfjs-dist/build/pdf.worker.min.mjs?url";
import { keptBy } from "#core/kernel";
import { singleSpaced } from "../text/text-map";

pdfjs.GlobalWorkerOptions.workerSrc = workerUrl;

export type PdfDocument = pdfjs.PDFDocumentProxy;
export type PdfPage = pdfjs.PDFPageProxy;
export const PdfTextLayer = pdfjs.TextLayer;

/** Why a PDF cannot be opened. */
export type PdfTrouble = "locked" | "damaged" | "empty";

/** An open document, or why there is none. */
export type OpenedPdf = { readonly document: PdfDocument } | { readonly trouble: PdfTrouble };

/** Everything pdf.js reads beside the file comes from our own address; scripts in a PDF are never run. */
const OWN_FILES = {
  cMapUrl: "/pdfjs/cmaps/",
  cMapPacked: true,
  standardFontDataUrl: "/pdfjs/standard_fonts/",
  wasmUrl: "/pdfjs/wasm/",
  iccUrl: "/pdfjs/iccs/",
  isEvalSupported: false,
  enableXfa: false,
  stopAtErrors: false,
} as const;

let spare: pdfjs.PDFWorker | null = null;
const workers = new WeakMap<PdfDocument, pdfjs.PDFWorker>();

/** A worker of its own for a document, so that one that hangs holds up no other. */
function takeWorker(): pdfjs.PDFWorker {
  const worker = spare ?? new pdfjs.PDFWorker();
  spare = null;
  return worker;
}

/** Starts a worker for the next document while nothing waits: starting takes longer than opening most documents. */
export function startSpareWorker(): void {
  requestIdleCallback(() => {
    spare ??= new pdfjs.PDFWorker();
  });
}

/** Opens a PDF; the document must be closed when it is no longer needed. */
export async function openPdf(blob: Blob): Promise<OpenedPdf> {
  if (blob.size === 0) return { trouble: "empty" };
  const data = await blob.arrayBuffer();
  const worker = takeWorker();
  const task = pdfjs.getDocument({ data, worker, ...OWN_FILES });
  try {
    const document = await task.promise;
    workers.set(document, worker);
    // Not before: it would take its time from the document that is waited for.
    startSpareWorker();
    return { document };
  } catch (error) {
    void task.destroy().then(() => {
      worker.destroy();
    });
    return { trouble: error instanceof Error && error.name === "PasswordException" ? "locked" : "damaged" };
  }
}

/** Frees what a document holds, its worker among it. */
export async function closePdf(document: PdfDocument): Promise<void> {
  await document.loadingTask.destroy();
  workers.get(document)?.destroy();
}

/** The text of a page, counted as on the screen; each page of a document is read once. */
export const pdfPageText = keptBy({
  owner: (document: PdfDocument, _: number) => document,
  part: (_, page) => String(page),
  make: (_, ...given) => readPageText(...given),
});

async function readPageText(document: PdfDocument, page: number): Promise<string> {
  const { items } = await (await document.getPage(page)).getTextContent();
  return singleSpaced(items.map((item) => ("str" in item ? item.str + (item.hasEOL ? "\n" : "") : "")).join(""));
}

/** A place of the work that can be gone to. */
export interface OutlineEntry {
  readonly title: string;
  readonly page: number;
  /** 0 for a part of the whole. */
  readonly depth: number;
}

/** Most entries of an outline. */
const MOST_ENTRIES = 400;

/** The outline that a PDF brings along, with the page of each entry; empty where it brings none. */
export async function pdfOutline(document: PdfDocument): Promise<OutlineEntry[]> {
  const entries: OutlineEntry[] = [];
  type Items = NonNullable<Awaited<ReturnType<PdfDocument["getOutline"]>>>;
  const walk = async (items: Items, depth: number): Promise<void> => {
    for (const item of items) {
      if (entries.length >= MOST_ENTRIES) return;
      const page = await pageOf(document, item.dest);
      if (page !== null) entries.push({ title: item.title, page, depth });
      await walk(item.items as Items, depth + 1);
    }
  };
  await walk((await document.getOutline().catch(() => null)) ?? [], 0);
  return entries;
}

/** The page of a destination, from 1; null for one that leads out of the document or nowhere. */
async function pageOf(document: PdfDocument, destination: unknown): Promise<number | null> {
  try {
    const found: unknown = typeof destination === "string" ? await document.getDestination(destination) : destination;
    const first: unknown = Array.isArray(found) ? found[0] : null;
    if (typeof first === "number") return first + 1;
    return first === null ? null : (await document.getPageIndex(first as never)) + 1;
  } catch {
    return null;
  }
}
