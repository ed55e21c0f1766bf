import { workKindOf, type WorkFile } from "#core/model";
import { isPageKind } from "#core/formats";
import { keptPage } from "../foreign/kept-pages";
import { PAGE_WIDTH } from "../measures";
import { loadViewer } from "./viewers";

/** Gets what shows a PDF ready where one may come in next, while nobody waits for it. */
export async function prepareForPdf(): Promise<void> {
  await loadViewer("pdf");
  (await import("./pdf-document")).startSpareWorker();
}

/** Gets work ready while nobody waits for it, so that its first page stands there at once when it is shown. */
export async function prepareWork(file: WorkFile, blob: Blob): Promise<void> {
  const kind = workKindOf(file);
  await loadViewer(kind);
  // Plain text and pictures are shown as fast as they are read.
  if (kind === "pdf") await (await import("./kept-pdfs")).preparePdf(blob, PAGE_WIDTH);
  if (isPageKind(kind)) await keptPage(kind, blob);
}
