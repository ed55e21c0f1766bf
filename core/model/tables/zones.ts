import type { StudentId } from "#core/kernel";
import type { Assignment } from "../records/plan";
import type { Zone, ZoneTarget } from "../records/zone";
import { resultOf, type CourseState } from "./state";

/** Where on a student's paper a criterion or a question is answered: as it was mended for this paper, else as on all; in the order of the pages. */
export function zonesFor(
  state: CourseState,
  assignment: Assignment,
  studentId: StudentId,
  target: ZoneTarget,
): readonly Zone[] {
  const of = (zones: readonly Zone[]) => zones.filter((zone) => zone.of === target);
  const own = of(resultOf(state, assignment.id, studentId).zones);
  return [...(own.length > 0 ? own : of(assignment.zones))].sort((a, b) => a.page - b.page || a.y - b.y);
}
