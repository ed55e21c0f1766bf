import { fromDecimal, milliseconds, pointsText, type Decimal, type Instant, type StudentId } from "#core/kernel";
import { courseOf, dueFor, handInOf, type Assignment, type Attempt, type CourseState } from "#core/model";
import { deduction, unitsLate } from "#core/scoring";

/** Ways of handing in for which a student sends files or words. */
const SENT: readonly Assignment["channel"][] = ["file", "text", "link"];

/** What a student knows about handing in a piece of work, before and while they do. */
export interface HandingIn {
  /** What was handed in for them so far, by themselves or by a mate of their group. */
  readonly attempts: readonly Pick<Attempt, "number" | "at" | "files">[];
  /** How many more may be handed in; null: as many as they like. */
  readonly left: number | null;
  /** Milliseconds until it is due, below 0 when it is over; null where there is no due time. */
  readonly until: number | null;
  /** What handing in at this moment would cost; null where it costs nothing. */
  readonly late: {
    readonly units: number;
    readonly unitHours: number;
    /** Points taken off a full score. */
    readonly points: string;
    readonly maximum: Decimal;
    /** What is taken off is a share of the score, so that a lower score loses less. */
    readonly ofScore: boolean;
  } | null;
}

/** What a student knows about handing in, at a moment; null for work that is not handed in this way. */
export function handingIn(
  state: CourseState,
  assignment: Assignment,
  studentId: StudentId,
  now: Instant,
): HandingIn | null {
  if (!SENT.includes(assignment.channel)) return null;
  const attempts = handInOf(state, assignment.id, studentId)?.attempts ?? [];
  const due = dueFor(state, assignment, studentId);
  const { attemptsAllowed } = assignment;
  return {
    attempts: attempts.map(({ number, at, files }) => ({ number, at, files })),
    left: attemptsAllowed === null ? null : Math.max(0, attemptsAllowed - attempts.length),
    until: due === null ? null : milliseconds(due) - milliseconds(now),
    late: due === null ? null : costOfNow(state, assignment, due, now),
  };
}

function costOfNow(state: CourseState, { points }: Assignment, due: Instant, now: Instant): HandingIn["late"] {
  const { lateRule, timeZone } = courseOf(state);
  if (!lateRule) return null;
  const units = unitsLate(lateRule, timeZone, due, now);
  if (units === 0) return null;
  const whole = fromDecimal(points);
  return {
    units,
    unitHours: lateRule.unit === "hours" ? lateRule.unitHours : 24,
    points: pointsText(deduction(lateRule, whole, whole, units)),
    maximum: points,
    ofScore: lateRule.base !== "maximum",
  };
}
