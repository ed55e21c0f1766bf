import { PDFDict, PDFDocument, PDFName, type PDFArray } from "@cantoo/pdf-lib";
import type { MarkedPaper, PaperSource, PdfMark } from "./messages";
import { writeSheet } from "./feedback-page";
import { Flow, linesOf, type LetterBox } from "./flow";
import { OWN_KEY, writeMarks, type PlacedMark } from "./write-marks";
import { Typeface } from "./typeface";

/** Width of a picture on its page, in points. */
const PICTURE_WIDTH = 595;

/**
 * Writes a work with its remarks as standard annotations, and a page of feedback behind it. The work's own pages stay as
 * they are; remarks that this application wrote into it before are replaced.
 * @throws Error when a PDF cannot be read
 */
export async function writePaper(paper: MarkedPaper): Promise<Uint8Array<ArrayBuffer>> {
  const document = await openSource(paper.source);
  const face = new Typeface(document, paper.fonts);
  const letters = await setWork(document, paper.source, face);
  const made = { author: paper.author, at: new Date(paper.at) };
  await writeMarks(document, placeMarks(paper.marks, letters, document.getPageCount()), face, made);
  if (paper.sheet) {
    await writeSheet(new Flow(document, face), paper.sheet);
    document.setTitle(`${paper.sheet.title}, ${paper.sheet.name}`);
  }
  document.setModificationDate(made.at);
  return await document.save();
}

async function openSource(source: PaperSource): Promise<PDFDocument> {
  if (source.kind !== "pdf") return PDFDocument.create();
  const document = await PDFDocument.load(source.bytes, { updateMetadata: false, password: "" });
  for (const page of document.getPages()) takeOffOwn(page.node.Annots());
  return document;
}

/** Takes off what was written by an earlier export, with its pop-ups. */
function takeOffOwn(annotations: PDFArray | undefined): void {
  if (!annotations) return;
  const own = new Set<unknown>();
  for (let index = 0; index < annotations.size(); index += 1) {
    const dictionary = annotations.lookup(index);
    if (dictionary instanceof PDFDict && dictionary.has(OWN_KEY)) own.add(annotations.get(index));
  }
  for (let index = annotations.size() - 1; index >= 0; index -= 1) {
    const dictionary = annotations.lookup(index);
    const parent = dictionary instanceof PDFDict ? dictionary.get(PDFName.of("Parent")) : undefined;
    if (own.has(annotations.get(index)) || own.has(parent)) annotations.remove(index);
  }
}

/** Sets a work that has no pages of its own; answers where each letter of a text stands. */
async function setWork(document: PDFDocument, source: PaperSource, face: Typeface): Promise<readonly LetterBox[]> {
  if (source.kind === "picture") {
    const picture = await (source.mediaType === "image/png"
      ? document.embedPng(source.bytes)
      : document.embedJpg(source.bytes));
    const height = (PICTURE_WIDTH * picture.height) / picture.width;
    document.addPage([PICTURE_WIDTH, height]).drawImage(picture, { x: 0, y: 0, width: PICTURE_WIDTH, height });
  }
  if (source.kind !== "text" || source.blocks.length === 0) return [];
  const flow = new Flow(document, face);
  const letters: LetterBox[] = [];
  for (const { text, heading } of source.blocks) {
    const style = heading ? { size: 14, weight: "strong" as const, before: 6, after: 4 } : { size: 11.5, after: 6 };
    const set = await flow.write(text, style);
    const last = set.at(-1);
    letters.push(...set);
    // The space that stands between two paragraphs in the text.
    if (last) letters.push({ ...last, left: last.right });
  }
  return letters;
}

/** Gives every remark a place on a page; one whose words are gone stands at the head of the first. */
function placeMarks(marks: readonly PdfMark[], letters: readonly LetterBox[], pages: number): PlacedMark[] {
  if (pages === 0) return [];
  let lost = 0;
  const atHead = (mark: PdfMark): PlacedMark => ({
    ...mark,
    mark: "pin",
    place: { kind: "point", page: 1, x: 0.03 + 0.04 * lost++, y: 0.04 },
  });
  return marks.flatMap((mark): PlacedMark[] => {
    const { place } = mark;
    if (place.kind === "lost") return [atHead(mark)];
    if (place.kind !== "range") return [{ ...mark, place }];
    const lines = linesOf(letters.slice(place.start, place.end));
    const page = lines[0]?.page;
    if (page === undefined) return [atHead(mark)];
    const quads = lines
      .filter((line) => line.page === page)
      .map(({ left, right, bottom, top }) => [left, top, right, top, left, bottom, right, bottom] as const);
    return [{ ...mark, place: { kind: "quads", page, quads } }];
  });
}
