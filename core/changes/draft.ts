import { ok, parseDecimal, refuse, type AssignmentId, type Decimal, type Result, type StudentId } from "#core/kernel";
import { fullName, type Assignment, type CourseState, type RecordOf, type Student, type TableName } from "#core/model";
import type { ChangeIssue, PaperPlace, Prepared } from "./change";
import { patchBetween, type Patch } from "./patch";

/** Small parts that the commands share. */

/** The finished answer of a command; a change that changes nothing is refused as such. */
export function finish(line: string, ...patches: (Patch | null)[]): Result<Prepared, ChangeIssue> {
  const real = patches.filter((patch) => patch !== null);
  return real.length === 0 ? refuse({ code: "nothing_to_change" }) : ok({ patches: real, line });
}

/** The patch that stores `record`, whether or not there was one before. */
export const put = <T extends TableName>(state: CourseState, table: T, record: RecordOf<T>): Patch | null =>
  patchBetween(table, record.id, state[table][record.id], record);

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
  const title = `${fullName(student.value)}, ${assignment.value.name}`;
  return ok({ assignment: assignment.value, student: student.value, title });
}

/** The assignment of an id, or the refusal that it is not in the course. */
export function assignmentAt(state: CourseState, id: AssignmentId): Result<Assignment, ChangeIssue> {
  const found = state.assignments[id];
  return found ? ok(found) : refuse({ code: "unknown_record", what: "assignment", id });
}

function studentAt(state: CourseState, id: StudentId): Result<Student, ChangeIssue> {
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
