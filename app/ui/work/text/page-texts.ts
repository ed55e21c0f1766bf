import { makePassage, workKindOf, type Passage, type Stretch, type WorkFile } from "#core/model";
import { closePdf, openPdf, pdfPageText } from "../pages/pdf-document";
import { workText } from "./work-text";

/** The text of each page of a work, counted as on the screen; null where a work has no text, as a picture or sound. */
export async function pageTexts(file: WorkFile, blob: Blob): Promise<readonly string[] | null> {
  if (workKindOf(file) !== "pdf") {
    const map = await workText(file, blob);
    return map && [map.text];
  }
  const opened = await openPdf(blob);
  if (!("document" in opened)) return null;
  const texts: string[] = [];
  for (let page = 1; page <= opened.document.numPages; page += 1) texts.push(await pdfPageText(opened.document, page));
  await closePdf(opened.document);
  return texts;
}

/** Pages as one text, and stretches of it as passages of the pages they stand on, cut where a page ends. */
export function joinPages(pages: readonly string[]) {
  const lengths = pages.map((text) => [...text].length);
  const toPassages = ({ start, end }: Stretch): Passage[] => {
    let from = 0;
    return pages.flatMap((text, index) => {
      const length = lengths[index] ?? 0;
      const [first, last] = [Math.max(start - from, 0), Math.min(end - from, length)];
      from += length + 1;
      return first < last ? [makePassage(text, index + 1, first, last)] : [];
    });
  };
  return { text: pages.join(" "), toPassages };
}
