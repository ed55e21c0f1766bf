import { keptBy, milliseconds, type Instant, type StudentId } from "#core/kernel";
import type { Assignment } from "../records/plan";
import { resultOf, type CourseState } from "./state";
import { cutAt } from "./tables";

type Work = Pick<Assignment, "id" | "dueAt">;

/** When work is due for a student: at the time of their own where they were given more, else the assignment's. */
export const dueFor = (state: CourseState, { id, dueAt }: Work, studentId: StudentId): Instant | null =>
  resultOf(state, id, studentId).moreTime?.until ?? dueAt;

/** Whether work was due for a student before a moment. */
export function isOverFor(state: CourseState, assignment: Work, studentId: StudentId, now: Instant): boolean {
  const due = dueFor(state, assignment, studentId);
  return due !== null && milliseconds(due) < milliseconds(now);
}

/** Due times of students' own, of one assignment. */
const ownTimes = keptBy({
  owner: (cut: NonNullable<ReturnType<typeof cutOf>>) => cut,
  make: (_, cut): readonly Instant[] => Object.values(cut).flatMap(({ moreTime }) => moreTime?.until ?? []),
});

const cutOf = (state: CourseState, { id }: Work) => cutAt(state, "results", id);

/** How many of an assignment's due times, the students' own among them, have passed: what is over changes with it alone. */
export function dueTimesPassed(state: CourseState, assignment: Work, now: Instant): number {
  const cut = cutOf(state, assignment);
  const times = [...(assignment.dueAt ? [assignment.dueAt] : []), ...(cut ? ownTimes(cut) : [])];
  return times.filter((time) => milliseconds(time) < milliseconds(now)).length;
}
