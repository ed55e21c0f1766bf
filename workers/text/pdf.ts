import * as pdfjs from "pdfjs-dist";
import { endHelper, takeHelper } from "../pdf-helper";

/** The text of a PDF, and what it says of itself. */
export interface PdfText {
  readonly text: string;
  readonly author: string;
  readonly pages: number;
}

/** Longest that one PDF may take, in milliseconds; one that takes longer counts as damaged. */
const LONGEST = 15_000;

/** The text of the first pages, at most so many. A PDF that hangs ends its helper; the next one gets another. */
export async function readPdf(blob: Blob, mostPages: number): Promise<PdfText | "locked" | "damaged"> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tooLong = new Promise<"damaged">((resolve) => {
    timer = setTimeout(() => {
      endHelper();
      resolve("damaged");
    }, LONGEST);
  });
  try {
    return await Promise.race([readPages(await blob.arrayBuffer(), mostPages), tooLong]);
  } finally {
    clearTimeout(timer);
  }
}

async function readPages(data: ArrayBuffer, mostPages: number): Promise<PdfText | "locked" | "damaged"> {
  const task = pdfjs.getDocument({ data, worker: takeHelper(), isEvalSupported: false, enableXfa: false });
  try {
    const document = await task.promise;
    const pages: string[] = [];
    for (let page = 1; page <= Math.min(mostPages, document.numPages); page += 1) {
      const { items } = await (await document.getPage(page)).getTextContent();
      pages.push(items.map((item) => ("str" in item ? item.str + (item.hasEOL ? "\n" : "") : "")).join(""));
    }
    const { info } = await document.getMetadata();
    const author = "Author" in info && typeof info.Author === "string" ? info.Author : "";
    return { text: pages.join("\n"), author, pages: document.numPages };
  } catch (error) {
    return error instanceof Error && error.name === "PasswordException" ? "locked" : "damaged";
  } finally {
    await task.destroy();
  }
}
