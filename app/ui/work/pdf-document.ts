import * as pdfjs from "pdfjs-dist";
import workerUrl from "pdfjs-dist/build/pdf.worker.min.mjs?url";
import { singleSpaced } from "./text-map";

pdfjs.GlobalWorkerOptions.workerSrc = workerUrl;

export type PdfDocument = pdfjs.PDFDocumentProxy;
export type PdfPage = pdfjs.PDFPageProxy;
export const PdfTextLayer = pdfjs.TextLayer;

/** Why a PDF cannot be opened. */
export type PdfTrouble = "locked" | "damaged" | "empty";

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

export async function openPdf(blob: Blob): Promise<{ document: PdfDocument } | { trouble: PdfTrouble }> {
  if (blob.size === 0) return { trouble: "empty" };
  const task = pdfjs.getDocument({ data: await blob.arrayBuffer(), ...OWN_FILES });
  try {
    return { document: await task.promise };
  } catch (error) {
    void task.destroy();
    return { trouble: error instanceof Error && error.name === "PasswordException" ? "locked" : "damaged" };
  }
}

/** The text of a page, counted as on the screen. */
export async function pdfPageText(document: PdfDocument, page: number): Promise<string> {
  const { items } = await (await document.getPage(page)).getTextContent();
  return singleSpaced(items.map((item) => ("str" in item ? item.str + (item.hasEOL ? "\n" : "") : "")).join(""));
}
