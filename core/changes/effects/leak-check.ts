import type { AssignmentId, Steps } from "#core/kernel";
import { courseOf, totalSealOf, type CourseState } from "#core/model";
import { totalIds, withoutStops, type LeakReport } from "#core/release";
import type { Context } from "../engine/change";
import { checkedIn, type Checked } from "./leak-report";
import { runInSteps, type Command } from "../engine/registry";

/**
 * The state a command leads to, to be checked before it is given; null where the command is refused. One that is stopped
 * is looked at as if it were not: what it would tell is what one wants to see.
 */
export function* checkedAfter({ state, history }: Checked, command: Command, context: Context): Steps<Checked | null> {
  const asked = yield* runInSteps(state, command, context);
  const isStopped = !asked.ok && asked.issue.code === "release_stopped";
  const next = isStopped ? yield* runInSteps(withoutStops(state), command, context) : asked;
  if (!next.ok) return null;
  return checkedIn({ state: next.value.state, history }, next.value.change.patches, context.at);
}

/** A way to close leaks. */
export interface Remedy {
  readonly kind: "sealTotals" | "restOnReleased" | "releaseTogether" | "sealRubric";
  readonly command: Command;
  /** The totals or assignments it is about, by their ids. */
  readonly about: readonly string[];
}

/** The ways to close what some reports tell; which of them does shows in the state each leads to. */
export function remediesFor(state: CourseState, reports: readonly LeakReport[]): Remedy[] {
  const leaks = reports.flatMap((report) => report.leaks);
  const remedies: Remedy[] = [];
  const open = totalIds(state).filter((id) => totalSealOf(state, id).state === "released");
  const through = new Set(leaks.flatMap((leak) => leak.through.map(({ totalId }) => totalId)));
  const taking = open.filter((id) => through.has(id));
  const sealing = (ids: readonly string[]) => {
    const [first, ...together] = ids;
    if (first === undefined) return;
    const { shows } = totalSealOf(state, first);
    const command: Command = { type: "sealTotal", id: first, together, state: "sealed", at: null, shows };
    remedies.push({ kind: "sealTotals", command, about: ids });
  };
  if (taking.length > 1) for (const id of taking) sealing([id]);
  sealing(taking);
  const fromTotals = [...new Set(leaks.flatMap((leak) => (leak.from === "totals" ? [leak.assignmentId] : [])))];
  const fromRubric = [...new Set(leaks.flatMap((leak) => (leak.from === "rubric" ? [leak.assignmentId] : [])))];
  if (fromTotals.length > 0 && courseOf(state).totalsRestOn === "all") {
    remedies.push({ kind: "restOnReleased", command: { type: "restTotals", on: "released" }, about: [] });
  }
  const together = (ids: readonly AssignmentId[], type: "release" | "seal", facet: "score" | "rubric") => {
    const [first, ...others] = ids;
    return first && { type, assignmentId: first, together: others, facets: [facet] };
  };
  const scores = [...new Set([...fromTotals, ...fromRubric])];
  const releasing = together(scores, "release", "score");
  if (releasing) remedies.push({ kind: "releaseTogether", command: releasing, about: scores });
  const hiding = together(fromRubric, "seal", "rubric");
  if (hiding) remedies.push({ kind: "sealRubric", command: hiding, about: fromRubric });
  return remedies;
}
