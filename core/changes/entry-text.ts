import { fromDecimal, pointsText, type AssignmentId, type StudentId } from "#core/kernel";
import { resultOf, type CourseState } from "#core/model";
import { figuresOf } from "#core/totals";

/** What stands in a cell when it is opened for typing, in the entry language; empty where nothing was entered. */
export function entryText(state: CourseState, assignmentId: AssignmentId, studentId: StudentId): string {
  const result = resultOf(state, assignmentId, studentId);
  if (result.decision) return result.decision === "missing" ? "m" : "x";
  const typed = result.setByHand ?? result.score;
  const late = result.unitsLate ? ` l${String(result.unitsLate)}` : "";
  if (typed !== null) return pointsText(fromDecimal(typed)) + late;
  const assignment = state.assignments[assignmentId];
  if (result.levelId !== null && assignment?.scoredIn.kind === "scale") {
    const level = state.scales[assignment.scoredIn.scaleId]?.levels.find(({ id }) => id === result.levelId);
    return (level?.name ?? "") + late;
  }
  const { rubric } = figuresOf(state).figure(assignmentId, studentId);
  return (rubric?.score ? pointsText(rubric.score) : "") + late;
}
