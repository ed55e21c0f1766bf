import type { Instant } from "#core/kernel";
import { assignmentsOf, cutAt, type Assignment, type CourseState, type Student } from "#core/model";
import { figuresOf } from "./course-figures";

/** A paper that is in and not scored. */
export interface WaitingPaper {
  readonly assignment: Assignment;
  readonly student: Student;
  /** When its last attempt came in; null where nobody wrote it down, as with a pile of paper. */
  readonly at: Instant | null;
}

/** Everything that waits to be scored, over all assignments, the oldest first; what has no time comes last, as planned. */
export function waitingPapers(state: CourseState): WaitingPaper[] {
  const { figure } = figuresOf(state);
  const papers = assignmentsOf(state).flatMap((assignment) =>
    Object.values(cutAt(state, "handIns", assignment.id) ?? {}).flatMap(({ studentId, attempts }): WaitingPaper[] => {
      const student = state.students[studentId];
      if (!student || !figure(assignment.id, studentId).waiting) return [];
      return [{ assignment, student, at: attempts.at(-1)?.at ?? null }];
    }),
  );
  // The sort keeps the order of the plan where times are equal or unknown.
  return papers.sort((a, b) => {
    if (a.at === null || b.at === null) return a.at === b.at ? 0 : a.at === null ? 1 : -1;
    return Date.parse(a.at) - Date.parse(b.at);
  });
}
