export { parseEntry, type Entry } from "./entry";
export type { ScoreIssue } from "./issues";
export { afterDeduction, deduction, unitsLate } from "./lateness";
export { checkScore } from "./limits";
export {
  checkPoints,
  levelAt,
  pointsAtShare,
  proposedPoints,
  rulerEnds,
  steppedPoints,
  sumRubric,
  type RubricSum,
} from "./ruler";
