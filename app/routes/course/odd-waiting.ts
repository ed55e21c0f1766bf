import type { Instant } from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import { laneOf } from "#core/release";
import { oddFound } from "#core/statistics";
import type { CourseSession } from "#storage";
import { howJudged } from "../../course/how-judged";

/** How much looks odd of work that is ready to go out; what is still being scored, or is out, is not counted. */
export function oddWaiting(session: CourseSession, state: CourseState, assignment: Assignment, now: Instant): number {
  if (laneOf(state, assignment, now).next.kind !== "release") return 0;
  const { scorings, order } = howJudged(session, state, assignment);
  return oddFound(state, assignment, scorings, order).open.length;
}
