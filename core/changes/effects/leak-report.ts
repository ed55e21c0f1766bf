import { keptBy, required, type Basis, type Instant, type StudentId } from "#core/kernel";
import { courseOf, cutAt, resultKey, TOTALS_LETTER, type CourseState } from "#core/model";
import { leaksOf, openingKey, type LeakReport } from "#core/release";
import { figuresOf, planOf } from "#core/totals";
import type { Patch } from "../engine/patch";
import type { StateThen } from "../past/states-after";
import { observationsOf } from "../past/totals-history";

/** A state to be checked for leaks, with the totals that were given out on the way to it, the newest first. */
export interface Checked {
  readonly state: CourseState;
  readonly history: readonly StateThen[];
}

/** A student's copies in the order of the assignments; the same list until one of them is another. */
const copiesOf = keptBy({
  owner: ({ students }: CourseState, studentId: StudentId) => required(students[studentId], "student"),
  basis: ({ copies, assignments }) => ({ copies, assignments }),
  most: 2,
  make: (before: readonly unknown[] | undefined, state, studentId): readonly unknown[] => {
    const copies = Object.values(state.assignments).map(
      ({ id }) => cutAt(state, "copies", id)?.[resultKey(id, studentId)],
    );
    return before?.length === copies.length && copies.every((copy, at) => copy === before[at]) ? before : copies;
  },
});

/** Everything in a state that one student can see, or that stands behind it: lists that are compared member by member. */
function behind(state: CourseState, studentId: StudentId): readonly (readonly unknown[])[] {
  const { rubrics, releases, totalSeals, totalCopies } = state;
  return [
    [planOf(state), courseOf(state).totalsRestOn, rubrics, releases, totalSeals, totalCopies[studentId]],
    copiesOf(state, studentId),
    figuresOf(state).figures(studentId),
  ];
}

/** All that a student's report rests on, part by part. */
const restsOn = ({ state, history }: Checked, studentId: StudentId): Basis => ({
  times: history.map(({ at }) => at),
  openings: state.openings[openingKey(TOTALS_LETTER, studentId)],
  deliveries: state.deliveries,
  ...[state, ...history.map((then) => then.state)].flatMap((one) => behind(one, studentId)),
});

/**
 * What one student can work out of all they see and saw. Open verdicts are left out: they tell nothing. Worked out again
 * only where something behind it has changed, so that after one score only that student's is.
 */
export const leakReport = keptBy({
  owner: ({ state }: Checked, studentId: StudentId) => required(state.students[studentId], "student"),
  basis: restsOn,
  most: 2,
  make: (_, { state, history }, studentId): LeakReport => {
    const report = leaksOf(state, studentId, observationsOf(history, state, studentId));
    return { ...report, leaks: report.leaks.filter(({ verdict }) => verdict !== "open") };
  },
});

/** Whether a report has anything to stop at. */
export const tellsSomething = ({ leaks, inconsistent, unchecked }: LeakReport): boolean =>
  leaks.length + inconsistent.length + unchecked.length > 0;

/** A state that patches led to, made at a moment; where they give totals out it is the newest of the history. */
export function checkedIn({ state, history }: Checked, patches: readonly (Patch | null)[], at: Instant): Checked {
  const gives = patches.some((patch) => patch?.table === "totalCopies");
  return { state, history: gives ? [{ at, state }, ...history] : history };
}
