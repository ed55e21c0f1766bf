export { pointsByKey, readingOf, questionPoints, readChoice, readNumber } from "./answers";
export { lackingEvidence } from "./evidence";
export { parseEntry, type CellEntry as Entry } from "./entry";
export type { ScoreIssue } from "./issues";
export { afterDeduction, deduction, unitsLate } from "./lateness";
export { checkScore } from "./limits";
export { checkRubric, scoresOutOfReach, type RubricFinding } from "./rubric-check";
export {
  adaptRubric,
  duplicateCriterion,
  levelsFromWords,
  addLevel,
  moveBound,
  removeLevel,
  startCriterion,
} from "./rubric-edit";
export { outcomeMarks, outcomeRows, type OutcomeRow } from "./outcomes";
export { isWeighted, sumRubric, type RubricSum } from "./rubric-sum";
export { checkPoints, levelAt, pointsAtShare, proposedPoints, rulerEnds, steppedPoints } from "./ruler";
export { checkScaling, scaledScore, topToMaximum, tScaling, type ScalingIssue } from "./scaling";
