import { z } from "zod/mini";
import type { StudentId } from "#core/kernel";
import { groupMembers, groupOf, type CourseState } from "#core/model";
import type { PaperPlace } from "../../engine/change";
import type { Paper } from "../../engine/command-parts";

/** Said of a whole group: what is changed for one member is changed for all who stand the same. */
export const wholeGroupField = z.optional(z.boolean());

/**
 * The students a change is for: the one alone, or with them the members of their group who stand as they do. Who was
 * judged by themselves keeps what they were given.
 */
export function scopeOf(
  state: CourseState,
  { assignmentId, studentId }: PaperPlace,
  wholeGroup: boolean | undefined,
  standsAs: (mate: StudentId) => boolean,
): readonly StudentId[] {
  if (!wholeGroup) return [studentId];
  const mates = groupMembers(state, assignmentId, studentId).filter((id) => id !== studentId && standsAs(id));
  return [studentId, ...mates];
}

/** How the journal names a paper, or a group's. */
export function scopeTitle(state: CourseState, paper: Paper, wholeGroup: boolean | undefined): string {
  const group = wholeGroup ? groupOf(state, paper.assignment.id, paper.student.id) : undefined;
  return group ? `${group.name}, ${paper.assignment.name}` : paper.title;
}
