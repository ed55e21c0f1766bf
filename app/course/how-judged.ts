import { judgingOrders, scoringsOf } from "#core/changes";
import { studentsOf, type Assignment, type CourseState } from "#core/model";
import type { JudgingOrder, Scorings } from "#core/statistics";
import type { CourseSession } from "#storage";

/** What the journal tells of how an assignment was judged: by whom, when, and in which order. */
export interface HowJudged {
  readonly scorings: Scorings;
  readonly order: JudgingOrder;
}

/** How the papers of an assignment were judged, from the journal of the course that is open. */
export function howJudged(session: CourseSession, state: CourseState, { id }: Assignment): HowJudged {
  const { entries } = session;
  const students = studentsOf(state).map((student) => student.id);
  let orders: ReturnType<typeof judgingOrders> | undefined;
  return {
    scorings: scoringsOf(entries, session, id),
    // Read when it is first asked for: work without a rubric has no such order.
    order: (criterionId) => (orders ??= judgingOrders(entries, id))(criterionId, students),
  };
}
