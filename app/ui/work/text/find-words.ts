import { codePointOffset, makePassage, type Passage } from "#core/model";
import type { PdfDocument } from "../pages/pdf-document";
import { mapText, singleSpaced } from "./text-map";
import type { PageHandle } from "../types";

/** Most places that are looked for. */
const MOST = 500;

/** Every place where words stand in the work on one page, in any case and spacing, in reading order. */
export async function findWords(
  words: string,
  pages: ReadonlyMap<number, PageHandle>,
  pdf: PdfDocument | null,
): Promise<Passage[] | null> {
  const wanted = singleSpaced(words).trim().toLowerCase();
  if (wanted === "") return [];
  const found: Passage[] = [];
  const look = (text: string, page: number) => {
    const lower = text.toLowerCase();
    for (let at = lower.indexOf(wanted); at >= 0 && found.length < MOST; at = lower.indexOf(wanted, at + 1)) {
      const start = codePointOffset(text, at);
      found.push(makePassage(text, page, start, start + codePointOffset(wanted, wanted.length)));
    }
  };
  if (!pdf) {
    const first = pages.get(1);
    const text = first?.textRoot ? mapText(first.textRoot).text : "";
    // A picture stands there without any words; of other work, none is there until it is drawn.
    if (!first || (first.textRoot && text === "")) return null;
    look(text, 1);
    return found;
  }
  const { pdfPageText } = await import("../pages/pdf-document");
  for (let page = 1; page <= pdf.numPages && found.length < MOST; page += 1) look(await pdfPageText(pdf, page), page);
  return found;
}
