import { codePointOffset, makePassage, type Passage } from "#core/model";
import type { PdfDocument } from "./pdf-document";
import { mapText, singleSpaced } from "./text-map";
import type { PageHandle } from "./types";

/** Finds words in the work, in any case and spacing; null where they do not stand in it on one page. */
export async function findWords(
  words: string,
  pages: ReadonlyMap<number, PageHandle>,
  pdf: PdfDocument | null,
): Promise<Passage | null> {
  const wanted = singleSpaced(words).trim().toLowerCase();
  const look = (text: string, page: number): Passage | null => {
    const at = text.toLowerCase().indexOf(wanted);
    if (at < 0) return null;
    return makePassage(text, page, codePointOffset(text, at), codePointOffset(text, at + wanted.length));
  };
  if (!pdf) {
    const root = pages.get(1)?.textRoot;
    return root ? look(mapText(root).text, 1) : null;
  }
  const { pdfPageText } = await import("./pdf-document");
  for (let page = 1; page <= pdf.numPages; page += 1) {
    const found = look(await pdfPageText(pdf, page), page);
    if (found) return found;
  }
  return null;
}
