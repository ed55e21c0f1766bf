import { keptBy, type AssignmentId, type StudentId } from "#core/kernel";
import { assignmentsOf, courseOf, studentsOf, type CourseState } from "#core/model";
import {
  assignmentMark,
  courseMark,
  isGuestMark,
  paperCodeText,
  readPaperCode,
  studentMark,
  type PaperCode,
} from "./paper-code";

/** What the code on a paper says in a course. */
export type CodeSaid =
  | { readonly kind: "student"; readonly assignmentId: AssignmentId; readonly studentId: StudentId }
  /** A blank sheet that somebody wrote their name on. */
  | { readonly kind: "guest"; readonly assignmentId: AssignmentId }
  /** A student or an assignment that this course has no longer. */
  | { readonly kind: "gone" }
  | { readonly kind: "otherCourse" };

/** The code of a student's paper. */
export const codeFor = (
  state: CourseState,
  kind: PaperCode["kind"],
  { assignmentId, student }: { readonly assignmentId: AssignmentId; readonly student: string },
): string =>
  paperCodeText({ kind, course: courseMark(courseOf(state).id), assignment: assignmentMark(assignmentId), student });

/** Ids by their marks; a mark that two of them share leads to none. */
function byMark<T extends string>(ids: readonly T[], markOf: (id: T) => string): ReadonlyMap<string, T | null> {
  const found = new Map<string, T | null>();
  for (const id of ids) {
    const mark = markOf(id);
    found.set(mark, found.has(mark) ? null : id);
  }
  return found;
}

// A code is asked about for every piece of a tray, and each mark is a sum.
const assignmentsByMark = keptBy({
  owner: ({ assignments }: CourseState) => assignments,
  make: (_, state: CourseState) =>
    byMark(
      assignmentsOf(state).map(({ id }) => id),
      assignmentMark,
    ),
});

const studentsByMark = keptBy({
  owner: ({ students }: CourseState) => students,
  make: (_, state: CourseState) =>
    byMark(
      studentsOf(state).map(({ id }) => id),
      studentMark,
    ),
});

/** What a code says here; null for a text that is no code of ours. */
export function codeSaid(state: CourseState, text: string): CodeSaid | null {
  const code = readPaperCode(text);
  if (!code) return null;
  if (code.course !== courseMark(courseOf(state).id)) return { kind: "otherCourse" };
  const assignmentId = assignmentsByMark(state).get(code.assignment);
  if (!assignmentId) return { kind: "gone" };
  if (isGuestMark(code.student)) return { kind: "guest", assignmentId };
  const studentId = studentsByMark(state).get(code.student);
  return studentId ? { kind: "student", assignmentId, studentId } : { kind: "gone" };
}
