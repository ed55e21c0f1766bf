export { ok, refuse, type Result } from "./result";
export { contentSum, textSum } from "./content-sum";
export { once } from "./once";
export { required } from "./required";
export {
  add,
  compare,
  divide,
  fractionText,
  fromFraction,
  HUNDRED,
  isZero,
  larger,
  multiply,
  ratio,
  smaller,
  subtract,
  sum,
  toNumber,
  whole,
  ZERO,
  type Exact,
} from "./exact";
export {
  decimal,
  fromDecimal,
  isDecimal,
  parseDecimal,
  pointsText,
  readPoints,
  rounded,
  roundToText,
  type Decimal,
  type DecimalIssue,
} from "./decimal";
export {
  milliseconds,
  type AssignmentId,
  type CategoryId,
  type ChangeId,
  type CriterionId,
  type FileId,
  type Id,
  type Instant,
  type LevelId,
  type MarkerId,
  type PostId,
  type QuestionId,
  type RubricId,
  type SectionId,
  type ScaleId,
  type TermId,
  type StudentId,
} from "./ids";
export { keptBy, type Basis } from "./kept-by";
export { shuffledBy } from "./shuffled";
export { atOnce, eachInSteps, keptSteps, type Steps } from "./steps";
export { keepParts } from "./keep-parts";
export { sameValue } from "./same-value";
export { firstReaching } from "./crossing";
export { closed, contains, intervalText, isEmpty, meet, sameInterval, type Interval } from "./interval";
export { fromLocalText, localToday, momentOf, toLocalText } from "./local-time";
