import type { AssignmentId, CriterionId, StudentId } from "#core/kernel";
import { judgementKey } from "#core/model";
import type { Entry } from "../engine/history";

/**
 * The students whose papers were judged by one criterion, in the order of their latest judgement. Undone entries count:
 * what matters is when the marker looked at the paper.
 */
export function judgingOrder(
  entries: readonly Entry[],
  assignmentId: AssignmentId,
  criterionId: CriterionId,
  studentIds: readonly StudentId[],
): readonly StudentId[] {
  const keys = new Map(studentIds.map((id) => [judgementKey(assignmentId, id, criterionId), id]));
  const order = new Map<StudentId, number>();
  for (const { seq, change } of entries) {
    for (const patch of change.patches) {
      const student = patch.table === "judgements" ? keys.get(patch.id) : undefined;
      if (student) order.set(student, seq);
    }
  }
  return [...order].sort(([, a], [, b]) => a - b).map(([student]) => student);
}
