import { courseOf, dueFor, ownHandInOf, resultOf, type Assignment, type CourseState } from "#core/model";
import { unitsLate } from "#core/scoring";
import { figuresOf } from "#core/totals";
import type { HandInToTake } from "./hand-ins";

/** What taking a hand-in in would mean for its student. */
export interface Outlook {
  /** The number it would have; that of the hand-in it joins. */
  readonly attempt: number;
  readonly joins: boolean;
  /** Started units of the late rule; 0 in time, or where there is no rule. */
  readonly unitsLate: number;
  /** What was said of the student before it came. */
  readonly decision: "missing" | "excused" | null;
  /** The student has a score already. */
  readonly isScored: boolean;
  /** More attempts than the assignment allows. */
  readonly isBeyondAllowed: boolean;
  /** Older than what the student handed in last. */
  readonly isOlder: boolean;
}

/** What taking each in would mean, in their order: of two of one student, the second is the later attempt. */
export function outlooksOf(
  state: CourseState,
  assignment: Assignment,
  handIns: readonly HandInToTake[],
): ReadonlyMap<HandInToTake, Outlook> {
  const { lateRule, timeZone } = courseOf(state);
  const { figure } = figuresOf(state);
  const numbers = new Map<string, number>();
  return new Map(
    handIns.map((handIn) => {
      const { studentId, at, joins } = handIn;
      const attempts = ownHandInOf(state, assignment.id, studentId)?.attempts ?? [];
      const before = numbers.get(studentId) ?? attempts.at(-1)?.number ?? 0;
      const attempt = joins ? before : before + 1;
      numbers.set(studentId, attempt);
      const due = dueFor(state, assignment, studentId);
      const late = lateRule && at && due ? unitsLate(lateRule, timeZone, due, at) : 0;
      const outlook: Outlook = {
        attempt,
        joins,
        unitsLate: late,
        decision: resultOf(state, assignment.id, studentId).decision,
        isScored: figure(assignment.id, studentId).score !== null,
        isOlder: at !== null && attempts.some((one) => one.at !== null && one.at > at),
        isBeyondAllowed: assignment.attemptsAllowed !== null && attempt > assignment.attemptsAllowed,
      };
      return [handIn, outlook] as const;
    }),
  );
}
