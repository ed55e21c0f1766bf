import type { Instant } from "#core/kernel";
import type { WorkFile } from "#core/model";
import { runPdfJob } from "../../workers/client";
import type { FeedbackSheet, MarkPlace, PdfMark } from "../../workers/protocol";
import { MARK_WORDS } from "#core/words";
import { noteColour } from "../ui/work/marks/marks";
import { ownText } from "../ui/work/marks/own-note";
import { preparePaper } from "./paper-source";
import { pdfFonts } from "./pdf-fonts";
import type { EvidenceTarget, ShownNote } from "../ui/work/types";

interface PaperWithNotes {
  readonly file: WorkFile | null;
  readonly blob: Blob | null;
  readonly notes: readonly ShownNote[];
  readonly criteria: readonly EvidenceTarget[];
  readonly sheet: FeedbackSheet;
  readonly author: string;
  readonly at: Instant;
}

/** Remarks as they go into a PDF. */
export const pdfMarks = (
  notes: readonly ShownNote[],
  placeOf: (note: ShownNote) => MarkPlace,
  criteria: readonly EvidenceTarget[],
): PdfMark[] =>
  notes.map((note) => ({
    id: note.id,
    mark: note.mark,
    place: placeOf(note),
    words: note.body,
    subject: criteria.find(({ id }) => id === note.criterionId)?.name ?? MARK_WORDS[note.mark],
    colour: noteColour(note, criteria),
    own: ownText(note),
  }));

/**
 * A work as a PDF with its remarks as standard annotations and a page of feedback.
 * @throws StoppedError when stopped; Error when the work cannot be read
 */
export async function markedPdf(paper: PaperWithNotes, signal: AbortSignal): Promise<Blob> {
  const { file, blob, notes, criteria } = paper;
  const [{ source, placeOf }, fonts] = await Promise.all([preparePaper(file, blob, notes), pdfFonts()]);
  const marks = pdfMarks(notes, placeOf, criteria);
  const { sheet, author, at } = paper;
  const bytes = await runPdfJob((jobs) => jobs.writePaper({ source, marks, sheet, fonts, author, at }), signal);
  return new Blob([bytes], { type: "application/pdf" });
}
