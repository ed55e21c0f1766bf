import { resultKey, type CourseState } from "#core/model";
import type { Provenance, Provenances } from "#core/totals";
import type { Entry } from "../engine/history";

/** Tables whose records carry the figures of one paper; the first two parts of their ids name it. */
const OF_PAPERS = new Set(["results", "judgements"]);

/**
 * Who entered the figure of each paper, and when, from the journal: the last change that touched its result or one of
 * its judgements. For the accounts that `explainTotal` makes. Markers that left the course are named by their id.
 */
export function provenancesFrom(entries: readonly Entry[], state: CourseState): Provenances {
  const last = new Map<string, Provenance>();
  for (const { change } of entries) {
    const by = state.markers[change.by]?.name ?? change.by;
    for (const { table, id } of change.patches) {
      if (OF_PAPERS.has(table)) last.set(id.split("/").slice(0, 2).join("/"), { at: change.at, by });
    }
  }
  return (assignment, studentId) => last.get(resultKey(assignment.id, studentId)) ?? null;
}
