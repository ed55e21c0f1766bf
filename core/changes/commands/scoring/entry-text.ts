import { fromDecimal, pointsText, type AssignmentId, type StudentId } from "#core/kernel";
import { resultOf, type CourseState, type ResultRecord } from "#core/model";
import { figuresOf } from "#core/totals";

/** An entry and the comment behind its colon, `33: nice graphs`; null where there is no colon. */
export function entryAndComment(text: string): { readonly entry: string; readonly comment: string | null } {
  const colon = text.indexOf(":");
  return colon < 0
    ? { entry: text, comment: null }
    : { entry: text.slice(0, colon).trim(), comment: text.slice(colon + 1).trim() };
}

/** What stands in a cell when it is opened for typing, in the entry language; empty where nothing was entered. */
export const entryText = (state: CourseState, assignmentId: AssignmentId, studentId: StudentId): string =>
  textOfResult(state, resultOf(state, assignmentId, studentId));

/** The same for a result that is not stored yet; of the course it asks only for what stands beside it. */
export function textOfResult(state: CourseState, result: ResultRecord): string {
  const { assignmentId, studentId } = result;
  if (result.decision) return result.decision === "missing" ? "m" : "x";
  const typed = result.setByHand ?? result.score;
  const withLateness = (what: string) =>
    [what, result.unitsLate ? `l${String(result.unitsLate)}` : ""].filter(Boolean).join(" ");
  if (typed !== null) return withLateness(pointsText(fromDecimal(typed)));
  const assignment = state.assignments[assignmentId];
  if (result.levelId !== null && assignment?.scoredIn.kind === "scale") {
    const level = state.scales[assignment.scoredIn.scaleId]?.levels.find(({ id }) => id === result.levelId);
    return withLateness(level?.name ?? "");
  }
  const { rubric } = figuresOf(state).figure(assignmentId, studentId);
  return withLateness(rubric?.score ? pointsText(rubric.score) : "");
}
