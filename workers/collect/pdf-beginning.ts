import { readPdf } from "../text/pdf";
import { AUTHOR_LENGTH, beginningOf } from "./beginning";

/** What a PDF says of itself. */
export interface PdfBeginning {
  readonly beginning: string;
  readonly author: string;
  readonly pages: number | null;
  readonly trouble: "locked" | "damaged" | null;
}

/** The beginning of the first page, the pages and the author. */
export async function ofPdf(blob: Blob): Promise<PdfBeginning> {
  const read = await readPdf(blob, 1);
  if (typeof read === "string") return { beginning: "", author: "", pages: null, trouble: read };
  const { text, author, pages } = read;
  return { beginning: beginningOf(text), author: author.slice(0, AUTHOR_LENGTH), pages, trouble: null };
}
