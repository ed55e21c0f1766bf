import type { StudentId } from "#core/kernel";
import type { Assignment } from "../records/plan";
import { resultOf, type CourseState } from "./state";

/** The name of the level a student was given on the assignment's scale; null where it has none, or nothing was given. */
export function levelGiven(state: CourseState, { id, scoredIn }: Assignment, studentId: StudentId): string | null {
  if (scoredIn.kind !== "scale") return null;
  const { levelId } = resultOf(state, id, studentId);
  return state.scales[scoredIn.scaleId]?.levels.find((level) => level.id === levelId)?.name ?? null;
}
