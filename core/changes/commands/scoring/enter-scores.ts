import { z } from "zod/mini";
import { ok, refuse, type Result } from "#core/kernel";
import { commentField, idField, resultOf, type CourseState, type ResultRecord } from "#core/model";
import { counted } from "#core/words";
import type { ChangeIssue, CommandKind, PaperPlace } from "../../engine/change";
import { checkSeen, finish, paperAt, put, type Paper } from "../../engine/command-parts";
import { entryText, textOfResult } from "./entry-text";
import type { Patch } from "../../engine/patch";
import { readTyped } from "./typed-entry";

const cellSchema = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  /** The entry language of the gradebook. */
  text: z.string().check(z.maxLength(60)),
  /** An overall comment that comes with the entry; left out where there is none. */
  comment: z.optional(commentField),
  /** The entry the screen showed before. */
  seen: z.optional(z.string()),
});
/** One cell of a block of entries. */
export type EntryCell = z.infer<typeof cellSchema>;

const input = z.object({
  cells: z.array(cellSchema).check(z.minLength(1), z.maxLength(150_000)),
  /** How the entries came about, for the journal. */
  how: z.enum(["pasted", "filled", "entered from the pile", "set missing", "entered", "from a spreadsheet"]),
  reason: z.optional(z.string().check(z.trim(), z.maxLength(500))),
  /** The person was shown what is unusual and keeps it. */
  confirmed: z.optional(z.boolean()),
});

/** Enters many cells as one change with one undo. Refused whole when one cell is refused; the first one is named. */
export const enterScores: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { cells, how, reason, confirmed = false }) => {
    const read = cells.map((cell) => readCell(state, cell, confirmed));
    const refused = read.flatMap((one) => (one.ok ? [] : [one.issue]));
    const [first] = refused;
    if (first) return refuse({ code: "cells_refused", count: refused.length, title: first.title, first: first.why });
    const values = read.flatMap((one) => (one.ok ? [one.value] : []));
    const changed = values.map(({ next, judgements }) =>
      [put(state, "results", next), ...judgements].filter((patch) => patch !== null),
    );
    const cellsChanged = changed.filter((patches) => patches.length > 0).length;
    const [only] = values;
    const hasScores = values.some(({ next }) => put(state, "results", next) !== null);
    const what = hasScores ? counted(cellsChanged, "score") : `outcomes of ${counted(cellsChanged, "paper")}`;
    const line = values.length === 1 && only ? only.line : `${what} ${how}${placeOf(values)}`;
    const done = finish(line, ...changed.flat());
    return done.ok && reason ? ok({ ...done.value, reason }) : done;
  },
};

interface ReadCell {
  readonly paper: Paper;
  readonly next: ResultRecord;
  /** Outcomes that were typed with it. */
  readonly judgements: readonly (Patch | null)[];
  readonly line: string;
}

function readCell(
  state: CourseState,
  cell: EntryCell,
  confirmed: boolean,
): Result<ReadCell, { readonly title: string; readonly why: ChangeIssue }> {
  const paper = paperAt(state, cell);
  if (!paper.ok) return refuse({ title: "", why: paper.issue });
  const { title } = paper.value;
  const known = checkSeen(cell.seen, entryText(state, cell.assignmentId, cell.studentId));
  if (!known.ok) return refuse({ title, why: known.issue });
  const typed = readTyped(state, paper.value, cell.text, confirmed);
  if (!typed.ok) return refuse({ title, why: typed.issue });
  const { result, judgements, line } = typed.value;
  const next = cell.comment === undefined ? result : { ...result, overallComment: cell.comment };
  return ok({ paper: paper.value, next, judgements, line });
}

/** `, Gauging report` where all cells are of one assignment. */
function placeOf(cells: readonly ReadCell[]): string {
  const names = new Set(cells.map(({ paper }) => paper.assignment.name));
  return names.size === 1 ? `, ${[...names].join("")}` : "";
}

/** What a block of entries would do to one cell. */
export interface CellPreview {
  readonly cell: EntryCell;
  /** What stands there now, in the entry language. */
  readonly before: string;
  readonly outcome:
    | { readonly kind: "changes"; readonly after: string }
    | { readonly kind: "same" }
    | { readonly kind: "asks"; readonly why: ChangeIssue }
    | { readonly kind: "refused"; readonly why: ChangeIssue };
}

/** Looks a block over, cell by cell, before it is entered: what changes, what asks, what is refused and why. */
export function previewCells(state: CourseState, cells: readonly EntryCell[]): CellPreview[] {
  return cells.map((cell) => {
    const before = state.assignments[cell.assignmentId] ? entryText(state, cell.assignmentId, cell.studentId) : "";
    const read = readCell(state, cell, false);
    if (!read.ok) {
      const why = read.issue.why;
      return { cell, before, outcome: { kind: "canConfirm" in why ? "asks" : "refused", why } };
    }
    const text = textOfResult(state, read.value.next);
    const same = [put(state, "results", read.value.next), ...read.value.judgements].every((patch) => patch === null);
    return { cell, before, outcome: same ? { kind: "same" } : { kind: "changes", after: text } };
  });
}

/** The cells that a bulk action fills: all students of a list whose result is still blank, for one assignment. */
export const blankCells = (state: CourseState, places: readonly PaperPlace[], text: string): EntryCell[] =>
  places
    .filter(({ assignmentId, studentId }) => {
      const { decision, score, setByHand, levelId } = resultOf(state, assignmentId, studentId);
      return decision === null && score === null && setByHand === null && levelId === null;
    })
    .map((place) => ({ ...place, text }));
