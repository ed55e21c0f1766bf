import { ok, parseDecimal, refuse, type AssignmentId, type Decimal, type Result, type StudentId } from "#core/kernel";
import {
  cutAt,
  rosterName,
  recordAt,
  recordsOf,
  type Assignment,
  type CourseState,
  type RecordOf,
  type Rubric,
  type Student,
  type TableName,
} from "#core/model";
import { checkRubric } from "#core/scoring";
import type { ChangeIssue, PaperPlace, Prepared } from "./change";
import { patchBetween, type Patch } from "./patch";

/** Small parts that the commands share. */

/** A record with some fields replaced; fields that are left out stay as they are. */
export const withFields = <T extends object>(record: T, fields: { readonly [K in keyof T]?: T[K] | undefined }): T => ({
  ...record,
  ...Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)),
});

/** The finished answer of a command; a change that changes nothing is refused as such. */
export function finish(line: string, ...patches: (Patch | null)[]): Result<Prepared, ChangeIssue> {
  const real = patches.filter((patch) => patch !== null);
  return real.length === 0 ? refuse({ code: "nothing_to_change" }) : ok({ patches: real, line });
}

/** The patch that stores `record`, whether or not there was one before. */
export const put = <T extends TableName>(state: CourseState, table: T, record: RecordOf<T>): Patch | null =>
  patchBetween(table, record.id, recordAt(state, table, record.id), record);

/** The patch that takes a stored record out; null where none is stored. */
export function remove(state: CourseState, table: TableName, id: string): Patch | null {
  const stored = recordAt(state, table, id);
  return stored ? { table, id, before: { ...stored }, after: null } : null;
}

/** The patches that take records out. */
export const removeAll = (
  state: CourseState,
  table: TableName,
  records: readonly { readonly id: string }[],
): (Patch | null)[] => records.map(({ id }) => remove(state, table, id));

/** The patches that take out an assignment and everything that is known of it. */
export function assignmentParts(state: CourseState, assignmentId: AssignmentId): (Patch | null)[] {
  const isOfIt = (record: { readonly assignmentId: AssignmentId }) => record.assignmentId === assignmentId;
  return [
    ...(["results", "handIns", "judgements", "answers", "copies"] as const).flatMap((table) =>
      removeAll(state, table, Object.values(cutAt(state, table, assignmentId) ?? {})),
    ),
    ...(
      ["notes", "groups", "releases", "messages", "posts", "questions", "asides", "secondMarks", "packets"] as const
    ).flatMap((table) => removeAll(state, table, recordsOf(state, table).filter(isOfIt))),
    remove(state, "moderations", assignmentId),
    remove(state, "assignments", assignmentId),
  ];
}

/** The first fault of a rubric as a refusal; null where it is sound. */
export function rubricFault(rubric: Rubric): ChangeIssue | null {
  const finding = checkRubric(rubric).find(({ kind }) => kind === "fault");
  return finding ? { code: "rubric_at_fault", finding } : null;
}

/** The two ends of a paper, looked up. */
export interface Paper {
  readonly assignment: Assignment;
  readonly student: Student;
  /** `Ilse Tarnowe, Flood-frequency memo`: how the journal names a paper. */
  readonly title: string;
}

/** Looks up the two ends of a paper. */
export function paperAt(state: CourseState, place: PaperPlace): Result<Paper, ChangeIssue> {
  const assignment = assignmentAt(state, place.assignmentId);
  if (!assignment.ok) return assignment;
  const student = studentAt(state, place.studentId);
  if (!student.ok) return student;
  const title = `${rosterName(state, student.value)}, ${assignment.value.name}`;
  return ok({ assignment: assignment.value, student: student.value, title });
}

/** The assignment of an id, or the refusal that it is not in the course. */
export function assignmentAt(state: CourseState, id: AssignmentId): Result<Assignment, ChangeIssue> {
  const found = state.assignments[id];
  return found ? ok(found) : refuse({ code: "unknown_record", what: "assignment", id });
}

/** The student of an id, or the refusal that they are not in the course. */
export function studentAt(state: CourseState, id: StudentId): Result<Student, ChangeIssue> {
  const found = state.students[id];
  return found ? ok(found) : refuse({ code: "unknown_record", what: "student", id });
}

/** A screen that saw another value than the stored one is told, instead of overwriting it. */
export function checkSeen(seen: string | undefined, present: string): Result<null, ChangeIssue> {
  return seen === undefined || seen === present ? ok(null) : refuse({ code: "seen_differs", seen, present });
}

/** A typed figure; null where nothing or `-` was typed, to clear what was there. */
export function readFigure(text: string): Result<Decimal | null, ChangeIssue> {
  const typed = text.trim();
  return typed === "" || typed === "-" ? ok(null) : parseDecimal(typed);
}

/** First words of a comment, for a line in the journal. */
export function excerpt(text: string): string {
  const line = text.trim().replace(/\s+/g, " ");
  return line.length > 60 ? `${line.slice(0, 57)}...` : line;
}
