import { sameValue, type StudentId } from "#core/kernel";
import { totalCopiesOf, totalSealOf, TOTALS_LETTER, type CourseState, type TotalCopy } from "#core/model";
import { sawBetween, type Observation } from "#core/release";
import type { Past } from "../engine/change";
import { statesAfter, type StateThen } from "./states-after";

/** How far back totals given out are looked at; older ones rest on scores that have mostly changed since. */
const MOST_LOOKED_AT = 24;

const givesTotals = ({ change }: Past): boolean => change.patches.some(({ table }) => table === "totalCopies");

/**
 * The course as it was each time totals were given out, the newest first: what a student can work out rests on the scores
 * that stood behind a total then.
 */
export const totalsHistory = (state: CourseState, entries: readonly Past[]): readonly StateThen[] =>
  statesAfter(state, entries, givesTotals, MOST_LOOKED_AT);

const given = (state: CourseState, studentId: StudentId, copy: TotalCopy): boolean =>
  totalCopiesOf(state, studentId).some((other) => sameValue(other, copy));

/**
 * The states in which one student saw totals, with the totals seen: those they were given and see now, and those they had
 * opened, or that had left as files, before they were replaced or sealed. `history` is the newest first.
 */
export function observationsOf(history: readonly StateThen[], state: CourseState, studentId: StudentId): Observation[] {
  const present = totalCopiesOf(state, studentId).filter(({ id }) => totalSealOf(state, id).state === "released");
  return history.flatMap((then, index): Observation[] => {
    const fresh = totalCopiesOf(then.state, studentId).filter(({ at }) => at === then.at);
    const seen = fresh.filter((copy) => {
      if (present.some((other) => sameValue(other, copy))) return true;
      const replaced = history.slice(0, index).findLast((later) => !given(later.state, studentId, copy));
      return sawBetween(state, TOTALS_LETTER, studentId, copy.at, replaced?.at ?? null);
    });
    return seen.length === 0 ? [] : [{ state: then.state, totals: new Set(seen.map(({ id }) => id)) }];
  });
}
