import { roundToText, type StudentId } from "#core/kernel";
import { courseOf, studentsOf, type CourseState } from "#core/model";
import { figuresOf } from "./course-figures";

/** A course total that differs between two states, as displayed; percent, null while nothing counts. */
export interface ChangedTotal {
  readonly studentId: StudentId;
  readonly before: string | null;
  readonly after: string | null;
  readonly letterBefore: string | null;
  readonly letterAfter: string | null;
}

/**
 * The students, of those given, whose displayed course total or letter differs between two states. Give a stretch of the
 * roster at a time where the course is large.
 */
export function changedTotals(
  before: CourseState,
  after: CourseState,
  students = studentsOf(before).map(({ id }) => id),
): ChangedTotal[] {
  const shown = (state: CourseState, studentId: StudentId) => {
    const { now, letter } = figuresOf(state).totals(studentId);
    return { text: now && roundToText(now, courseOf(state).percentPlaces), letter };
  };
  return students.flatMap((studentId) => {
    const [old, next] = [shown(before, studentId), shown(after, studentId)];
    if (old.text === next.text && old.letter === next.letter) return [];
    return [{ studentId, before: old.text, after: next.text, letterBefore: old.letter, letterAfter: next.letter }];
  });
}
