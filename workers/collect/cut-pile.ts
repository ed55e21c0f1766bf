import { degrees, PDFDocument } from "@cantoo/pdf-lib";
import type { PaperPage } from "#core/collect";

/** Most pages of a pile. */
const MOST_PAGES = 2_000;
const QUARTER = 90;

/**
 * Cuts a scanned pile into papers of these pages, each turned as it is asked for; pages are copied as they were scanned.
 * @throws RangeError for a pile of more than 2,000 pages or a page that it has not, and what the PDF library throws for
 * a damaged one
 */
export async function cutPile(pile: Blob, papers: readonly (readonly PaperPage[])[]): Promise<readonly Blob[]> {
  const source = await PDFDocument.load(await pile.arrayBuffer(), { updateMetadata: false });
  const count = source.getPageCount();
  if (count > MOST_PAGES) throw new RangeError(`${String(count)} pages`);
  const cut: Blob[] = [];
  for (const pages of papers) {
    if (pages.some(({ place }) => place < 1 || place > count)) throw new RangeError(`a page beyond ${String(count)}`);
    const paper = await PDFDocument.create({ updateMetadata: false });
    const copied = await paper.copyPages(
      source,
      pages.map(({ place }) => place - 1),
    );
    copied.forEach((page, index) => {
      const turn = pages[index]?.turn ?? 0;
      if (turn !== 0) page.setRotation(degrees((page.getRotation().angle + turn * QUARTER) % 360));
      paper.addPage(page);
    });
    cut.push(new Blob([await paper.save()], { type: "application/pdf" }));
  }
  return cut;
}
