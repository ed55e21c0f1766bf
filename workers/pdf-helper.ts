import * as pdfjs from "pdfjs-dist";
import workerUrl from "pdfjs-dist/build/pdf.worker.min.mjs?url";

let helper: { readonly worker: Worker; readonly pdf: pdfjs.PDFWorker } | null = null;

/** The one helper in which pdf.js reads for this worker: starting one takes longer than reading most files. */
export function takeHelper(): pdfjs.PDFWorker {
  if (helper) return helper.pdf;
  const worker = new Worker(workerUrl, { type: "module" });
  helper = { worker, pdf: pdfjs.PDFWorker.create({ port: worker }) };
  return helper.pdf;
}

/** Ends the helper, with all it is reading; the next file gets another. */
export function endHelper(): void {
  helper?.pdf.destroy();
  helper?.worker.terminate();
  helper = null;
}
