import type { AssignmentId, StudentId } from "#core/kernel";
import { groupOf, handInOf, resultOf, type CourseState } from "#core/model";
import type { PaperPlace } from "../../engine/change";
import { put } from "../../engine/command-parts";
import type { Patch } from "../../engine/patch";

/**
 * Who was marked missing because nothing had come, and is so no longer when a first hand-in comes: the student, and with
 * them the mates of a group. Who was marked missing beside a hand-in stays so, and an excuse stays whatever comes.
 */
function foundAfterAll(state: CourseState, assignmentId: AssignmentId, studentId: StudentId): StudentId[] {
  if (handInOf(state, assignmentId, studentId)) return [];
  const people = groupOf(state, assignmentId, studentId)?.memberIds ?? [studentId];
  return people.filter((one) => resultOf(state, assignmentId, one).decision === "missing");
}

/** The patches that take the standing "missing" back where a first hand-in comes with this change. */
export function noLongerMissing(state: CourseState, handedIn: Iterable<PaperPlace>): (Patch | null)[] {
  const found = new Map<string, Patch | null>();
  for (const { assignmentId, studentId } of handedIn) {
    for (const one of foundAfterAll(state, assignmentId, studentId)) {
      const result = resultOf(state, assignmentId, one);
      found.set(result.id, put(state, "results", { ...result, decision: null }));
    }
  }
  return [...found.values()];
}
