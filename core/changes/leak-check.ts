import type { AssignmentId, StudentId } from "#core/kernel";
import { courseOf, totalSealOf, type CourseState } from "#core/model";
import { leaksOf, totalIds, type LeakReport } from "#core/release";
import type { Context } from "./change";
import { runCommand, type Command } from "./registry";
import { observationsOf, type TotalsGiven } from "./totals-history";

/** A state to be checked for leaks, with the totals that were given out on the way to it, the newest first. */
export interface Checked {
  readonly state: CourseState;
  readonly history: readonly TotalsGiven[];
}

/** What one student can work out of all they see and saw. Open verdicts are left out: they tell nothing. */
export function leakReport({ state, history }: Checked, studentId: StudentId): LeakReport {
  const report = leaksOf(state, studentId, observationsOf(history, state, studentId));
  return { ...report, leaks: report.leaks.filter(({ verdict }) => verdict !== "open") };
}

/** Whether a report has anything to stop at. */
export const tellsSomething = ({ leaks, inconsistent, unchecked }: LeakReport): boolean =>
  leaks.length + inconsistent.length + unchecked.length > 0;

/** The state a command leads to, to be checked before it is given; null where the command is refused. */
export function checkedAfter({ state, history }: Checked, command: Command, context: Context): Checked | null {
  const next = runCommand(state, command, context);
  if (!next.ok) return null;
  const gives = next.value.change.patches.some(({ table }) => table === "totalCopies");
  return {
    state: next.value.state,
    history: gives ? [{ at: context.at, state: next.value.state }, ...history] : history,
  };
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
