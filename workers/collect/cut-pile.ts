import { PDFDocument } from "@cantoo/pdf-lib";

/** A paper cut out of a pile, with its place: its first and last page in the pile, from 1. */
export interface CutPaper {
  readonly from: number;
  readonly to: number;
  readonly blob: Blob;
}

/** Most pages of a pile. */
const MOST_PAGES = 2_000;

/**
 * Cuts a scanned pile into papers of so many pages each; the last one has what is left over. Pages stay as they were
 * scanned. @throws RangeError for a pile of more than 2,000 pages, and what the PDF library throws for a damaged one
 */
export async function cutPile(pile: Blob, pages: number): Promise<readonly CutPaper[]> {
  const source = await PDFDocument.load(await pile.arrayBuffer(), { updateMetadata: false });
  const count = source.getPageCount();
  if (count > MOST_PAGES) throw new RangeError(`${String(count)} pages`);
  const papers: CutPaper[] = [];
  for (let first = 0; first < count; first += pages) {
    const places = Array.from({ length: Math.min(pages, count - first) }, (_, index) => first + index);
    const paper = await PDFDocument.create({ updateMetadata: false });
    for (const page of await paper.copyPages(source, places)) paper.addPage(page);
    const bytes = await paper.save();
    papers.push({ from: first + 1, to: first + places.length, blob: new Blob([bytes], { type: "application/pdf" }) });
  }
  return papers;
}
