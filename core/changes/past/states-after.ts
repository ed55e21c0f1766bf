import type { Instant } from "#core/kernel";
import type { CourseState } from "#core/model";
import type { Past } from "../engine/change";
import { applyPatches, invertPatches } from "../engine/patch";

/** The course as it was right after a change. */
export interface StateThen {
  readonly at: Instant;
  readonly state: CourseState;
}

/**
 * The course as it was right after each change that `wanted` picks, the newest first, at most so many. Found by taking the
 * journal's changes back one after the other.
 */
export function statesAfter(
  state: CourseState,
  entries: readonly Past[],
  wanted: (entry: Past) => boolean,
  most: number,
): StateThen[] {
  const found: StateThen[] = [];
  let at = state;
  let back = entries.length;
  for (let index = entries.length - 1; index >= 0 && found.length < most; index -= 1) {
    const entry = entries[index];
    if (!entry || !wanted(entry)) continue;
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
