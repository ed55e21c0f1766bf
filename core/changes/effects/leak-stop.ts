import { eachInSteps, refuse, type Result, type Steps } from "#core/kernel";
import { courseOf, studentsOf, type CourseState } from "#core/model";
import { stopsRelease } from "#core/release";
import type { ChangeIssue, Context } from "../engine/change";
import { checkedIn, leakReport, tellsSomething } from "./leak-report";
import { stateAfter, type Patch } from "../engine/patch";
import { totalsHistory } from "../past/totals-history";

type Asked = Pick<Context, "at" | "journal">;

/**
 * How many students could work something out in the state that patches lead to, where the course lets leaks stop a
 * release: found the same way as on the screen, with all that was given out before. 0 where it does not.
 */
export function* leaksStopping(
  before: CourseState,
  next: CourseState,
  patches: readonly (Patch | null)[],
  { at, journal }: Asked,
): Steps<number> {
  if (!stopsRelease(courseOf(next), "leaks")) return 0;
  const checked = checkedIn({ state: next, history: totalsHistory(before, journal) }, patches, at);
  const telling = yield* eachInSteps(studentsOf(next), ({ id }) => tellsSomething(leakReport(checked, id)));
  return telling.filter(Boolean).length;
}

/** The refusal where leaks stop what patches would give out, named by what is given; null where nothing stops it. */
export function* leakStop(
  state: CourseState,
  patches: readonly (Patch | null)[],
  name: string,
  asked: Asked,
): Steps<Result<never, ChangeIssue> | null> {
  const next = stateAfter(state, patches);
  const count = next.ok ? yield* leaksStopping(state, next.value, patches, asked) : 0;
  return count === 0 ? null : refuse({ code: "release_stopped", finding: "leaks", count, name });
}
