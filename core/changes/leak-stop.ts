import { refuse, type Result } from "#core/kernel";
import { courseOf, type CourseState } from "#core/model";
import { firstLeak } from "#core/release";
import type { ChangeIssue } from "./change";
import { stateAfter, type Patch } from "./patch";

/** Whether the course lets leaks stop a release and a student could work something out in a state. */
export const isStoppedByLeaks = (state: CourseState): boolean =>
  courseOf(state).releaseStops.includes("leaks") && firstLeak(state) !== null;

/** The refusal where leaks stop what patches would give out, named by what is given; null where nothing stops it. */
export function leakStop(
  state: CourseState,
  patches: readonly (Patch | null)[],
  name: string,
): Result<never, ChangeIssue> | null {
  const next = stateAfter(state, patches);
  if (!next.ok || !isStoppedByLeaks(next.value)) return null;
  return refuse({ code: "release_stopped", finding: "leaks", count: 1, name });
}
