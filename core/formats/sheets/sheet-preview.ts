import { entryText, previewCells, type ChangeIssue, type EntryCell } from "#core/changes";
import type { AssignmentId, StudentId } from "#core/kernel";
import { courseOf, plainText, resultKey, resultOf, studentsOf, type CourseState, type Student } from "#core/model";
import { rosterOf, whoOf, type PastedRowIssue } from "../tables/pasted-students";
import { cellText, type Sheet, type SheetCell } from "./sheet";
import { under, type SheetHead } from "./sheet-columns";
import { mannerOf, sheetEntry, type LetterRead, type SheetEntry, type SheetEntryIssue } from "./sheet-entry";

/** What taking a cell of a sheet in would do. */
export type SheetOutcome =
  | { readonly kind: "new" | "changes"; readonly after: string }
  | { readonly kind: "same" }
  /** It is unusual, and is taken in only when that is confirmed. */
  | { readonly kind: "asks"; readonly why: ChangeIssue | LetterRead }
  | { readonly kind: "refused"; readonly why: ChangeIssue | SheetEntryIssue }
  /** Changed here since the sheet left, and changed in the sheet too. */
  | { readonly kind: "changedHere"; readonly left: string; readonly after: string };

/** A cell of a sheet with what stands in its place. */
export interface SheetCellPreview {
  readonly assignmentId: AssignmentId;
  /** What is entered; null where its cell was refused before it came to that. */
  readonly cell: EntryCell | null;
  /** What stands there now, in the entry language. */
  readonly before: string;
  readonly outcome: SheetOutcome;
  /** The comment that comes with it and differs from the present one. */
  readonly comment: string | null;
}

/** A row of a sheet with whom it means. */
export interface SheetRowPreview {
  /** The row's place in the sheet, from 1. */
  readonly place: number;
  readonly student: Student | null;
  readonly issue: PastedRowIssue | null;
  readonly cells: readonly SheetCellPreview[];
}

/** What taking a sheet in would do. */
export interface SheetPreview {
  readonly rows: readonly SheetRowPreview[];
  /** Students who stand in no row; nothing of them changes. */
  readonly absent: readonly Student[];
}

/** Entries as they were when a sheet left, by `assignment/student`. */
export type AsItLeft = ReadonlyMap<string, string>;

/** Looks a sheet over, cell by cell, before it is taken in. A cell that says nothing changes nothing. */
export function previewSheet(state: CourseState, sheet: Sheet, head: SheetHead, left: AsItLeft | null): SheetPreview {
  const students = studentsOf(state);
  const roster = rosterOf(students);
  const byEmail = new Map(students.map((student) => [plainText(student.email), student]));
  const body = sheet.rows.slice(head.row + 1);
  const columns = columnsOf(state, head, body);
  const seen = new Set<Student>();
  const rows = body.flatMap((row, index): SheetRowPreview[] => {
    if (row.every((cell) => cellText(cell) === "")) return [];
    const place = head.row + 2 + index;
    const found = whoIsIn(row, head, roster, byEmail);
    const { student } = found;
    if (!student) return [{ place, ...found, cells: [] }];
    if (seen.has(student)) {
      return [{ place, student: null, issue: { code: "twice", who: student.number }, cells: [] }];
    }
    seen.add(student);
    return [
      { place, student, issue: null, cells: columns.flatMap((column) => previewOf(state, column, student, row, left)) },
    ];
  });
  return { rows, absent: students.filter((student) => !seen.has(student)) };
}

interface ScoreColumn {
  readonly assignmentId: AssignmentId;
  readonly score: number;
  readonly comment: number;
  readonly manner: ReturnType<typeof mannerOf>;
}

function columnsOf(state: CourseState, { columns }: SheetHead, body: Sheet["rows"]): ScoreColumn[] {
  const placeOf = (kind: "score" | "comment", id: AssignmentId) =>
    columns.findIndex(({ meaning }) => meaning.kind === kind && meaning.assignmentId === id);
  const ids = columns.flatMap(({ meaning }) =>
    meaning.kind === "score" || meaning.kind === "comment" ? [meaning.assignmentId] : [],
  );
  return [...new Set(ids)]
    .filter((id) => state.assignments[id])
    .map((assignmentId) => {
      const score = placeOf("score", assignmentId);
      const manner = mannerOf(score < 0 ? [] : body.map((row) => row[score]), courseOf(state).decimalMark);
      return { assignmentId, score, comment: placeOf("comment", assignmentId), manner };
    });
}

function whoIsIn(
  row: readonly SheetCell[],
  head: SheetHead,
  roster: ReturnType<typeof rosterOf>,
  byEmail: ReadonlyMap<string, Student>,
): Pick<SheetRowPreview, "student" | "issue"> {
  const email = under(row, head, "email");
  const parts = [under(row, head, "given"), under(row, head, "family")].filter(Boolean).join(" ");
  const found = whoOf(roster, under(row, head, "number"), under(row, head, "name") || parts);
  const byMail = email === "" ? undefined : byEmail.get(plainText(email));
  if (found.issue?.code === "nobody" && byMail && under(row, head, "number") === "")
    return { student: byMail, issue: null };
  return found;
}

/** The text that an empty place is entered with where a comment comes alone. */
const CLEARED = "-";

function previewOf(
  state: CourseState,
  column: ScoreColumn,
  student: Student,
  row: readonly SheetCell[],
  left: AsItLeft | null,
): SheetCellPreview[] {
  const { assignmentId } = column;
  const assignment = state.assignments[assignmentId];
  if (!assignment) return [];
  const before = entryText(state, assignmentId, student.id);
  const said = column.comment < 0 ? "" : cellText(row[column.comment]);
  const comment = said !== "" && said !== resultOf(state, assignmentId, student.id).overallComment ? said : null;
  const read: SheetEntry =
    column.score < 0
      ? { ok: true, text: "" }
      : sheetEntry(row[column.score], assignment, column.manner, courseOf(state).letters);
  if (!read.ok)
    return [{ assignmentId, cell: null, before, comment: null, outcome: { kind: "refused", why: read.issue } }];
  const was = left?.get(resultKey(assignmentId, student.id));
  // What the sheet left as it was is no wish, whatever became of it here meanwhile.
  const isUntouched = read.text === "" || read.text === was;
  if (isUntouched && comment === null)
    return [{ assignmentId, cell: null, before, comment, outcome: { kind: "same" } }];
  const cell = cellOf(assignmentId, student.id, isUntouched ? before || CLEARED : read.text, before, comment);
  const found = isUntouched ? { kind: "same" as const } : outcomeOf(state, cell, before, was);
  const isTaken = found.kind === "new" || found.kind === "changes";
  const outcome = read.asks && isTaken ? { kind: "asks" as const, why: read.asks } : found;
  return [{ assignmentId, cell, before, comment, outcome }];
}

const cellOf = (
  assignmentId: AssignmentId,
  studentId: StudentId,
  text: string,
  seen: string,
  comment: string | null,
): EntryCell => ({ assignmentId, studentId, text, seen, ...(comment !== null && { comment }) });

function outcomeOf(state: CourseState, cell: EntryCell, before: string, was: string | undefined): SheetOutcome {
  const { comment: _comment, ...alone } = cell;
  const [preview] = previewCells(state, [alone]);
  const outcome = preview?.outcome;
  if (!outcome || outcome.kind === "same") return { kind: "same" };
  if (outcome.kind === "refused" || outcome.kind === "asks") return { kind: outcome.kind, why: outcome.why };
  if (was !== undefined && was !== before) return { kind: "changedHere", left: was, after: outcome.after };
  return { kind: before === "" ? "new" : "changes", after: outcome.after };
}

/** The cells that are entered: what is new, changed or confirmed, with comments; of what both changed, what was chosen. */
export function cellsToEnter(
  { rows }: SheetPreview,
  chosen: { readonly asked: boolean; readonly theirs: ReadonlySet<string> },
): EntryCell[] {
  return rows.flatMap(({ student, cells }) =>
    cells.flatMap(({ cell, comment, outcome, assignmentId }) => {
      if (!cell || !student) return [];
      const { kind } = outcome;
      const isTaken =
        kind === "new" ||
        kind === "changes" ||
        (kind === "asks" && chosen.asked) ||
        (kind === "changedHere" && chosen.theirs.has(resultKey(assignmentId, student.id))) ||
        (kind === "same" && comment !== null);
      return isTaken ? [cell] : [];
    }),
  );
}
