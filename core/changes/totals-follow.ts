import type { Instant, StudentId } from "#core/kernel";
import { sameValue } from "#core/kernel";
import { courseOf, totalCopiesOf, type CourseState, type TotalCopy } from "#core/model";
import { draftTotals } from "#core/release";
import { put } from "./draft";
import { stateAfter, type Patch } from "./patch";

/** The same total, whenever it was given. */
const sameTotal = (a: TotalCopy, b: TotalCopy): boolean => sameValue({ ...a, at: b.at }, b);

/**
 * The patches that give students their totals as they stand in `next`. A total that is the same keeps the moment it was
 * given. `only` leaves all other totals as they were given.
 */
export function fixTotals(
  state: CourseState,
  next: CourseState,
  at: Instant,
  students: readonly StudentId[],
  only?: readonly string[],
): (Patch | null)[] {
  return students.map((id) => {
    const old = totalCopiesOf(state, id);
    const present = draftTotals(next, id, at);
    const wanted = only
      ? [...old.filter((copy) => !only.includes(copy.id)), ...present.filter((copy) => only.includes(copy.id))]
      : present;
    const totals = wanted.map((copy) => old.find((one) => one.id === copy.id && sameTotal(one, copy)) ?? copy);
    return sameValue(old, totals) ? null : put(state, "totalCopies", { id, totals });
  });
}

/**
 * Patches that change what is visible, with those that let totals on show follow where they rest on released work. Where
 * they rest on all work they stay as they were given, so that no typed score reaches a student by another's release.
 */
export function withTotals(
  state: CourseState,
  patches: readonly (Patch | null)[],
  at: Instant,
  students: readonly StudentId[],
): (Patch | null)[] {
  const open = Object.values(state.totalSeals).some((seal) => seal.state === "released");
  if (!open || courseOf(state).totalsRestOn !== "released") return [...patches];
  const next = stateAfter(state, patches);
  return next.ok ? [...patches, ...fixTotals(state, next.value, at, students)] : [...patches];
}
