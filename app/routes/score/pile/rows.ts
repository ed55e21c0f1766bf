import type { AssignmentId, StudentId } from "#core/kernel";
import { entryText, previewEntry, readPileLine } from "#core/changes";
import {
  assignmentsOf,
  courseOf,
  rosterName,
  resultOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Student,
} from "#core/model";
import { entryWords } from "../../../ui/words/entry-words";
import { canConfirm, issueWords } from "../../../ui/words/words";
import { inMark } from "../../../ui/words/figures";

/** A student the line may mean. */
export interface PileCandidate {
  readonly studentId: StudentId;
  readonly name: string;
  readonly number: string;
  /** What is entered for them already, in the entry language. */
  readonly entered: string;
}

/** What the line being typed comes to. */
export interface PileReading {
  readonly candidates: readonly PileCandidate[];
  /** More than 1 where the name part fits several students equally well. */
  readonly best: number;
  readonly text: string;
  readonly comment: string | null;
  /** Why it cannot be entered as it stands. */
  readonly trouble: string | null;
}

/** Candidates shown. */
const SHOWN = 8;
/** Students that fit less well, shown below the best in case the guess is wrong. */
const OTHERS = 2;

/** Reads the line; students who have nothing yet come first among those that fit equally well. */
export function pileReading(state: CourseState, assignment: Assignment, line: string): PileReading {
  const read = readPileLine(state, assignment, line);
  const candidate = (student: Student): PileCandidate => ({
    studentId: student.id,
    name: rosterName(state, student),
    number: student.number,
    entered: entryText(state, assignment.id, student.id),
  });
  const best = read.students.slice(0, read.best).map(candidate);
  const open = best.filter(({ entered }) => entered === "");
  const others = read.students.slice(read.best, read.best + OTHERS).map(candidate);
  return {
    candidates: [...open, ...best.filter(({ entered }) => entered !== ""), ...others].slice(0, SHOWN),
    best: read.best,
    text: read.text,
    comment: read.comment,
    trouble: read.trouble && issueWords(read.trouble),
  };
}

/** What an entry for one student comes to, and whether it is asked about before it is kept. */
export function pileHint(
  state: CourseState,
  assignment: Assignment,
  { studentId, name, entered }: PileCandidate,
  text: string,
): { readonly words: string; readonly asks: boolean; readonly refused: boolean } {
  if (text === "") return { words: `${name}: and the score?`, asks: false, refused: true };
  const preview = previewEntry(state, { assignmentId: assignment.id, studentId }, text);
  if (!preview.ok) {
    const asks = canConfirm(preview.issue);
    return { words: issueWords(preview.issue), asks, refused: !asks };
  }
  const words = entryWords(courseOf(state), preview.value);
  return entered !== "" && entered !== text
    ? {
        words: `${name} has ${inMark(entered)} already. Enter twice puts ${inMark(text)} in its place.`,
        asks: true,
        refused: false,
      }
    : { words: `${name}: ${words}`, asks: false, refused: false };
}

/** A student with an entry, or without one, as a line below the field. */
export interface PileStudent {
  readonly studentId: StudentId;
  readonly name: string;
  readonly number: string;
  readonly entered: string;
  readonly comment: string;
}

export interface PileRows {
  readonly assignment: Assignment;
  readonly unit: string;
  readonly students: readonly PileStudent[];
  readonly left: readonly PileStudent[];
  readonly assignments: readonly { readonly id: AssignmentId; readonly name: string }[];
}

export function pileRows(state: CourseState, assignment: Assignment): PileRows {
  const students = studentsOf(state).map((student): PileStudent => ({
    studentId: student.id,
    name: rosterName(state, student),
    number: student.number,
    entered: entryText(state, assignment.id, student.id),
    comment: resultOf(state, assignment.id, student.id).overallComment,
  }));
  return {
    assignment,
    unit: assignment.scoredIn.kind === "percent" ? "percent" : `of ${inMark(assignment.points)}`,
    students,
    left: students.filter(({ entered }) => entered === ""),
    assignments: assignmentsOf(state).map(({ id, name }) => ({ id, name })),
  };
}
