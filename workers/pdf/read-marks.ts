import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFString,
  type PDFObject,
  type PDFPage,
} from "@cantoo/pdf-lib";
import type { Stroke } from "#core/model";
import type { FoundMark, Quad } from "./messages";
import { pageFrame, type PageFrame } from "./page-frame";
import { OWN_KEY } from "./write-marks";

/** Annotations that are remarks; links, form fields and pop-ups are not. */
const REMARKS = new Set([
  "Highlight",
  "StrikeOut",
  "Underline",
  "Squiggly",
  "Caret",
  "Text",
  "FreeText",
  "Ink",
  "Stamp",
]);
/** How far a rectangle may be from the one that was written before it counts as moved, in points. */
const MOVED = 0.5;

/** Reads the remarks that stand in a PDF, whoever made them. @throws Error when the file is no PDF that can be read */
export async function readMarks(bytes: Uint8Array<ArrayBuffer>): Promise<FoundMark[]> {
  const document = await PDFDocument.load(bytes, { updateMetadata: false, password: "" });
  return document.getPages().flatMap((page, index) => marksOf(page, index + 1));
}

function marksOf(page: PDFPage, number: number): FoundMark[] {
  const annotations = page.node.Annots();
  const frame = pageFrame(page);
  const found: FoundMark[] = [];
  for (let index = 0; index < (annotations?.size() ?? 0); index += 1) {
    const dictionary = annotations?.lookup(index);
    if (!(dictionary instanceof PDFDict)) continue;
    const subtype = nameAt(dictionary, "Subtype");
    const rect = numbersAt(dictionary, "Rect");
    if (!REMARKS.has(subtype) || rect.length !== 4) continue;
    const corners = rect as [number, number, number, number];
    const [x, y] = frame.toShare((corners[0] + corners[2]) / 2, (corners[1] + corners[3]) / 2);
    found.push({
      page: number,
      subtype,
      rect: corners,
      middle: { x, y },
      id: textAt(dictionary, "NM"),
      words: textAt(dictionary, "Contents"),
      author: textAt(dictionary, "T"),
      subject: textAt(dictionary, "Subj"),
      quads: quadsOf(numbersAt(dictionary, "QuadPoints")),
      strokes: strokesOf(dictionary, frame),
      own: ownOf(dictionary, corners),
    });
  }
  return found;
}

const at = (dictionary: PDFDict, key: string): PDFObject | undefined => dictionary.lookup(PDFName.of(key));

const nameAt = (dictionary: PDFDict, key: string): string => {
  const value = at(dictionary, key);
  return value instanceof PDFName ? value.decodeText() : "";
};

const decoded = (value: PDFObject | undefined): string =>
  value instanceof PDFString || value instanceof PDFHexString ? value.decodeText() : "";

const textAt = (dictionary: PDFDict, key: string): string => decoded(at(dictionary, key)).replace(/\r\n?/g, "\n");

const numbersIn = (value: PDFObject | undefined): number[] =>
  value instanceof PDFArray
    ? Array.from({ length: value.size() }, (_, index) => {
        const item = value.lookup(index);
        return item instanceof PDFNumber ? item.asNumber() : 0;
      })
    : [];

const numbersAt = (dictionary: PDFDict, key: string): number[] => numbersIn(at(dictionary, key));

const quadsOf = (numbers: readonly number[]): Quad[] =>
  Array.from(
    { length: Math.floor(numbers.length / 8) },
    (_, index) => numbers.slice(index * 8, index * 8 + 8) as unknown as Quad,
  );

/** A pen of another program has no pressure: it is taken as pressed half. */
const HALF_PRESSURE = 0.5;

function strokesOf(dictionary: PDFDict, frame: PageFrame): Stroke[] {
  const lists = at(dictionary, "InkList");
  if (!(lists instanceof PDFArray)) return [];
  const share = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 10_000) / 10_000;
  return Array.from({ length: lists.size() }, (_, index) => {
    const numbers = numbersIn(lists.lookup(index));
    return Array.from({ length: Math.floor(numbers.length / 2) }, (__, place): Stroke[number] => {
      const [x, y] = frame.toShare(numbers[place * 2] ?? 0, numbers[place * 2 + 1] ?? 0);
      return [share(x), share(y), HALF_PRESSURE];
    });
  }).filter((stroke) => stroke.length > 0);
}

function ownOf(dictionary: PDFDict, rect: readonly number[]): string | null {
  const text = decoded(dictionary.lookup(OWN_KEY));
  if (text === "") return null;
  try {
    const { rect: written, own } = JSON.parse(text) as { rect: number[]; own: string };
    return rect.every((value, index) => Math.abs(value - (written[index] ?? NaN)) <= MOVED) ? own : null;
  } catch {
    // Not as this application writes it: read as anyone's remark.
    return null;
  }
}
