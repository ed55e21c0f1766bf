import { required, roundToText, type Exact, type StudentId } from "#core/kernel";
import { courseOf, studentsOf, type CourseState, type Student } from "#core/model";
import { letterOf } from "../rules/letters";
import { computeCourse } from "./compute-course";
import { figuresOf } from "./course-figures";
import { flatten } from "./flatten";

/** A course total that differs between two states, as displayed; percent, null while nothing counts. */
export interface ChangedTotal {
  readonly studentId: StudentId;
  readonly before: string | null;
  readonly after: string | null;
  readonly letterBefore: string | null;
  readonly letterAfter: string | null;
}

/** Course totals now, worked out from flat arrays where the course can be laid out so, and one by one where not. */
function totalsNow(state: CourseState, students: readonly Student[]): readonly (Exact | null)[] {
  const flat = flatten(state, students);
  return flat ? computeCourse(flat.course).percents : students.map(({ id }) => figuresOf(state).totals(id).now);
}

/**
 * The students, of those given, whose displayed course total or letter differs between two states. Give a stretch of the
 * roster at a time where the course is large.
 */
export function changedTotals(before: CourseState, after: CourseState, students = studentsOf(before)): ChangedTotal[] {
  const shown = (state: CourseState) =>
    totalsNow(state, students).map((now) => ({
      text: now && roundToText(now, courseOf(state).percentPlaces),
      letter: now && letterOf(courseOf(state), now),
    }));
  const [olds, nexts] = [shown(before), shown(after)];
  return students.flatMap(({ id }, at) => {
    const [old, next] = [required(olds[at], "total"), required(nexts[at], "total")];
    if (old.text === next.text && old.letter === next.letter) return [];
    return [{ studentId: id, before: old.text, after: next.text, letterBefore: old.letter, letterAfter: next.letter }];
  });
}
