import { findPassage, makePassage, workKindOf, type Note, type WorkFile } from "#core/model";
import type { FoundMark } from "../../workers/protocol";
import { readOwn } from "../ui/work/marks/own-note";
import { withPageLayer, type PageLayer } from "../ui/work/pages/pdf-layer";
import { closePdf, openPdf, type PdfDocument } from "../ui/work/pages/pdf-document";
import { workText } from "../ui/work/text/work-text";

/** A remark read from a file, ready to be taken in. */
export type ReadRemark = Pick<Note, "mark" | "target" | "criterionId" | "colour" | "body"> & { readonly id: string };

/** Where remarks read from a marked PDF belong. */
interface Work {
  readonly file: WorkFile;
  readonly blob: Blob;
  readonly criteria: readonly { readonly id: NonNullable<Note["criterionId"]>; readonly name: string }[];
}

/**
 * Makes notes of the remarks in a marked PDF: of those this application wrote, as they were; of all others, by where they
 * stand and which words lie under them. `left` counts those that stand beside the work.
 */
export async function readRemarks(
  marked: Blob,
  found: readonly FoundMark[],
  work: Work,
): Promise<{ readonly remarks: readonly ReadRemark[]; readonly left: number }> {
  const remarks: ReadRemark[] = [];
  let left = 0;
  const opened = await openPdf(marked);
  const own = workKindOf(work.file);
  const text = await workText(work.file, work.blob);
  const pages = own === "pdf" ? await pagesOf(work.blob) : own === "image" ? 1 : Infinity;
  for (const mark of found) {
    const kept = readOwn(mark.own);
    const target =
      kept?.target ??
      ("document" in opened && mark.page <= pages ? await targetOf(mark, opened.document, text !== null) : null);
    const placed = target && !kept && text ? inText(target, text.text) : target;
    if (!placed) left += 1;
    else {
      const bySubject = work.criteria.find(({ name }) => name === mark.subject)?.id ?? null;
      const criterionId = work.criteria.find(({ id }) => id === kept?.criterionId)?.id ?? bySubject;
      const shape = kept?.mark ?? markOf(mark, placed);
      remarks.push({
        id: mark.id,
        mark: shape,
        target: placed,
        criterionId,
        colour: kept?.colour ?? null,
        body: mark.words,
      });
    }
  }
  if ("document" in opened) await closePdf(opened.document);
  return { remarks, left };
}

async function pagesOf(blob: Blob): Promise<number> {
  const opened = await openPdf(blob);
  if (!("document" in opened)) return 0;
  const { numPages } = opened.document;
  await closePdf(opened.document);
  return numPages;
}

const MARKS: Readonly<Record<string, Note["mark"]>> = {
  Highlight: "highlight",
  Underline: "highlight",
  Squiggly: "highlight",
  StrikeOut: "strikeout",
  Caret: "insertion",
  FreeText: "text",
  Ink: "ink",
};

function markOf({ subtype }: FoundMark, { kind }: Note["target"]): Note["mark"] {
  const mark = MARKS[subtype] ?? "pin";
  // A remark that stood at a point of pages set anew has found the words it stood at.
  return kind === "passage" && (mark === "text" || mark === "pin") ? "highlight" : mark;
}

async function targetOf(mark: FoundMark, pdf: PdfDocument, onWords: boolean): Promise<Note["target"] | null> {
  const share = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 10_000) / 10_000;
  const point = { kind: "point", page: mark.page, x: share(mark.middle.x), y: share(mark.middle.y) } as const;
  switch (mark.subtype) {
    case "Ink":
      return mark.strokes.length === 0 ? null : { kind: "strokes", page: mark.page, strokes: [...mark.strokes] };
    case "Highlight":
    case "Underline":
    case "Squiggly":
    case "StrikeOut":
      return withPageLayer(pdf, mark.page, (layer) => passage(layer, mark.page, layer.textIn(mark.quads)));
    case "Caret":
      return withPageLayer(pdf, mark.page, (layer) => passage(layer, mark.page, layer.wordAt(point.x, point.y)));
    default:
      // Pages set anew are not the work's own: a point on them is kept by the word it stands at.
      return onWords
        ? withPageLayer(pdf, mark.page, (layer) => passage(layer, mark.page, layer.wordAt(point.x, point.y)))
        : point;
  }
}

const passage = (layer: PageLayer, page: number, range: { start: number; end: number } | null) =>
  range && makePassage(layer.map.text, page, range.start, range.end);

/** A place on pages that were set for the file, as a place in the text they were set from. */
function inText(target: Note["target"], text: string): Note["target"] | null {
  if (target.kind !== "passage") return target;
  const found = findPassage(text, target);
  return found ? makePassage(text, 1, found.start, found.end) : { ...target, page: 1 };
}
