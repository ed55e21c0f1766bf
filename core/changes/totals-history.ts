import { sameValue, type Instant, type StudentId } from "#core/kernel";
import { totalCopiesOf, totalSealOf, TOTALS_LETTER, type CourseState, type TotalCopy } from "#core/model";
import { sawBetween, type Observation } from "#core/release";
import type { Change } from "./change";
import { applyPatches, invertPatches } from "./patch";

/** The course as it was right after totals were given out. */
export interface TotalsGiven {
  readonly at: Instant;
  readonly state: CourseState;
}

/** How far back totals given out are looked at; older ones rest on scores that have mostly changed since. */
const MOST_LOOKED_AT = 24;

interface Past {
  readonly change: Pick<Change, "at" | "patches">;
}

const givesTotals = ({ change }: Past): boolean => change.patches.some(({ table }) => table === "totalCopies");

/**
 * The course as it was each time totals were given out, the newest first: what a student can work out rests on the scores
 * that stood behind a total then. Found by taking the journal's changes back one after the other.
 */
export function totalsHistory(state: CourseState, entries: readonly Past[]): TotalsGiven[] {
  const found: TotalsGiven[] = [];
  let at = state;
  let back = entries.length;
  for (let index = entries.length - 1; index >= 0 && found.length < MOST_LOOKED_AT; index -= 1) {
    const entry = entries[index];
    if (!entry || !givesTotals(entry)) continue;
    const since = entries.slice(index + 1, back).reverse();
    const before = applyPatches(
      at,
      since.flatMap(({ change }) => invertPatches(change.patches)),
    );
    // A journal that does not lead back here cannot tell more.
    if (!before.ok) break;
    at = before.value;
    back = index + 1;
    found.push({ at: entry.change.at, state: at });
  }
  return found;
}

const given = (state: CourseState, studentId: StudentId, copy: TotalCopy): boolean =>
  totalCopiesOf(state, studentId).some((other) => sameValue(other, copy));

/**
 * The states in which one student saw totals, with the totals seen: those they were given and see now, and those they had
 * opened, or that had left as files, before they were replaced or sealed. `history` is the newest first.
 */
export function observationsOf(
  history: readonly TotalsGiven[],
  state: CourseState,
  studentId: StudentId,
): Observation[] {
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
