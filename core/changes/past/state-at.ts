import { milliseconds, type Instant } from "#core/kernel";
import type { CourseState } from "#core/model";
import type { Change } from "../engine/change";
import { applyPatches, invertPatches } from "../engine/patch";

/**
 * The course as it stood at a moment, found by taking the journal's later changes back. Null where the journal does not
 * lead back there, or the course did not exist yet.
 */
export function stateAt(
  state: CourseState,
  entries: readonly { readonly change: Pick<Change, "at" | "patches"> }[],
  at: Instant,
): CourseState | null {
  // A clock set back leaves entries out of order by their moments; their places in the journal decide.
  const last = entries.findLastIndex(({ change }) => milliseconds(change.at) <= milliseconds(at));
  const later = entries.slice(last + 1).reverse();
  const before = applyPatches(
    state,
    later.flatMap(({ change }) => invertPatches(change.patches)),
  );
  return before.ok && Object.keys(before.value.courses).length > 0 ? before.value : null;
}
