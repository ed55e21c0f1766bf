import type { Instant, StudentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { leaksOf, type LeakReport } from "#core/release";
import type { Patch } from "../engine/patch";
import type { StateThen } from "../past/states-after";
import { observationsOf } from "../past/totals-history";

/** A state to be checked for leaks, with the totals that were given out on the way to it, the newest first. */
export interface Checked {
  readonly state: CourseState;
  readonly history: readonly StateThen[];
}

/** What one student can work out of all they see and saw. Open verdicts are left out: they tell nothing. */
export function leakReport({ state, history }: Checked, studentId: StudentId): LeakReport {
  const report = leaksOf(state, studentId, observationsOf(history, state, studentId));
  return { ...report, leaks: report.leaks.filter(({ verdict }) => verdict !== "open") };
}

/** Whether a report has anything to stop at. */
export const tellsSomething = ({ leaks, inconsistent, unchecked }: LeakReport): boolean =>
  leaks.length + inconsistent.length + unchecked.length > 0;

/** A state that patches led to, made at a moment; where they give totals out it is the newest of the history. */
export function checkedIn({ state, history }: Checked, patches: readonly (Patch | null)[], at: Instant): Checked {
  const gives = patches.some((patch) => patch?.table === "totalCopies");
  return { state, history: gives ? [{ at, state }, ...history] : history };
}
