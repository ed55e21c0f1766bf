import { milliseconds, type Instant, type StudentId } from "#core/kernel";
import { assignmentsOf, studentsOf, type Assignment, type CourseState } from "#core/model";
import { figuresOf } from "#core/totals";

/** Students who seem to have joined late, and the work that was due before they did. */
export interface Newcomers {
  readonly studentIds: readonly StudentId[];
  readonly work: readonly Assignment["id"][];
}

/**
 * Students of whom nothing at all is known, in a course where work is past due that others have handed in; null where
 * there is nobody like that. Bonus work is left out, for not doing it costs nothing.
 */
export function newcomersOf(state: CourseState, now: Instant): Newcomers | null {
  const { figure, figures } = figuresOf(state);
  const students = studentsOf(state);
  const fresh = students.filter(({ id }) => figures(id).every(({ standing }) => standing === "expected"));
  if (fresh.length === 0 || fresh.length === students.length) return null;
  const work = assignmentsOf(state).filter(
    ({ id, bonus, dueAt }) =>
      !bonus &&
      dueAt !== null &&
      milliseconds(dueAt) < milliseconds(now) &&
      students.some((student) => figure(id, student.id).standing === "handedIn"),
  );
  return work.length === 0 ? null : { studentIds: fresh.map(({ id }) => id), work: work.map(({ id }) => id) };
}
