import * as pdfjs from "pdfjs-dist";
import workerUrl from "pdfjs-dist/build/pdf.worker.min.mjs?url";
import { beginningOf } from "./beginning";

/** What a PDF says of itself. */
export interface PdfBeginning {
  readonly beginning: string;
  readonly author: string;
  readonly pages: number | null;
  readonly trouble: "locked" | "damaged" | null;
}

/** Longest that one PDF may take, in milliseconds; one that takes longer is taken in without its text. */
const LONGEST = 15_000;

let helper: { readonly worker: Worker; readonly pdf: pdfjs.PDFWorker } | null = null;

function takeHelper() {
  if (helper) return helper;
  const worker = new Worker(workerUrl, { type: "module" });
  helper = { worker, pdf: pdfjs.PDFWorker.create({ port: worker }) };
  return helper;
}

function giveUp(): void {
  helper?.pdf.destroy();
  helper?.worker.terminate();
  helper = null;
}

/** The beginning of the first page, the pages and the author. A PDF that hangs ends its helper; the next one gets another. */
export async function ofPdf(blob: Blob): Promise<PdfBeginning> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tooLong = new Promise<PdfBeginning>((resolve) => {
    timer = setTimeout(() => {
      giveUp();
      resolve({ beginning: "", author: "", pages: null, trouble: "damaged" });
    }, LONGEST);
  });
  try {
    return await Promise.race([readPdf(await blob.arrayBuffer()), tooLong]);
  } finally {
    clearTimeout(timer);
  }
}

async function readPdf(data: ArrayBuffer): Promise<PdfBeginning> {
  const task = pdfjs.getDocument({ data, worker: takeHelper().pdf, isEvalSupported: false, enableXfa: false });
  try {
    const document = await task.promise;
    const { items } = await (await document.getPage(1)).getTextContent();
    const text = items.map((item) => ("str" in item ? item.str + (item.hasEOL ? "\n" : "") : "")).join("");
    const { info } = await document.getMetadata();
    const author = "Author" in info && typeof info.Author === "string" ? info.Author : "";
    return { beginning: beginningOf(text), author: author.slice(0, 300), pages: document.numPages, trouble: null };
  } catch (error) {
    const trouble = error instanceof Error && error.name === "PasswordException" ? "locked" : "damaged";
    return { beginning: "", author: "", pages: null, trouble };
  } finally {
    await task.destroy();
  }
}
