export { ok, refuse, type Result } from "./result";
export { contentSum, textSum } from "./content-sum";
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
  type CourseId,
  type CriterionId,
  type FileId,
  type Id,
  type Instant,
  type LevelId,
  type MarkerId,
  type MailId,
  type MessageId,
  type NoteId,
  type PostId,
  type QuestionId,
  type RubricId,
  type SectionId,
  type ScaleId,
  type GroupId,
  type TermId,
  type StudentId,
} from "./ids";
export { sameValue } from "./same-value";
export { firstReaching, type Crossing } from "./crossing";
export { closed, contains, isEmpty, meet, sameInterval, type Interval } from "./interval";
export { fromLocalText, localToday, momentOf, toLocalText } from "./local-time";
