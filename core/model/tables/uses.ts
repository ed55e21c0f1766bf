import type { Assignment } from "../records/plan";
import { assignmentsOf, type CourseState } from "./state";

/** The assignments that a rubric belongs to, as score or for outcomes. */
export const usesOfRubric = (state: CourseState, rubricId: string): Assignment[] =>
  assignmentsOf(state).filter((item) => item.rubricId === rubricId || item.outcomeRubricId === rubricId);

/** The work that is scored on a scale, or judged on it beside the score. */
export const usesOfScale = (state: CourseState, scaleId: string): Assignment[] =>
  assignmentsOf(state).filter(
    ({ scoredIn, outcomeScaleId }) =>
      outcomeScaleId === scaleId || (scoredIn.kind === "scale" && scoredIn.scaleId === scaleId),
  );
