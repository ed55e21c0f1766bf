import type { AssignmentId, CriterionId, StudentId } from "#core/kernel";
import type { Entry } from "../engine/history";

/** The students whose papers were judged by one criterion, in the order of their latest judgement. */
export type JudgedOrder = (criterionId: CriterionId, among: readonly StudentId[]) => readonly StudentId[];

/**
 * In which order the papers of an assignment were judged, by criterion. Undone entries count: what matters is when the
 * marker looked at the paper. The journal is read once for all criteria.
 */
export function judgingOrders(entries: readonly Entry[], assignmentId: AssignmentId): JudgedOrder {
  const start = `${assignmentId}/`;
  const lastSeq = new Map<string, Map<string, number>>();
  for (const { seq, change } of entries) {
    for (const { table, id } of change.patches) {
      if (table !== "judgements" || !id.startsWith(start)) continue;
      const [studentId = "", criterionId = ""] = id.slice(start.length).split("/");
      const of = lastSeq.get(criterionId) ?? new Map<string, number>();
      lastSeq.set(criterionId, of.set(studentId, seq));
    }
  }
  return (criterionId, among) => {
    const of = lastSeq.get(criterionId) ?? new Map<string, number>();
    const judged = among.flatMap((studentId) => {
      const seq = of.get(studentId);
      return seq === undefined ? [] : [{ studentId, seq }];
    });
    return judged.sort((a, b) => a.seq - b.seq).map(({ studentId }) => studentId);
  };
}
