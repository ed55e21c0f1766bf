export type { Account, AccountPart, AppliedRule, Provenance, WhyLeftOut } from "./account";
export { answerPoints, answersSum, type AnswersSum } from "./answers";
export {
  categoryTotal,
  type CategoryTotal,
  type Item,
  type LeftOutReason,
  type Outlook,
  type Part,
} from "./category-total";
export {
  figuresOf,
  hasWaiting,
  progressOf,
  type CourseFigures,
  type Outlooks,
  type Progress,
  type StudentTotals,
} from "./course-figures";
export { changedTotals, type ChangedTotal } from "./changed-totals";
export { checkPlan, planOf, termOf, type CoursePlan, type PlanFinding, type PlanNode } from "./course-plan";
export { capped, overTerms, termTotal, type CategoryShare, type TermTotal } from "./course-total";
export { dropFromPool, dropLowestPercents, staying } from "./drops";
export {
  categoryTotals,
  evaluate,
  evaluateNode,
  itemOf,
  type Evaluated,
  type ItemSource,
  type NodeTotal,
} from "./evaluate";
export { explainCategory, explainTotal } from "./explain";
export { explainResult, type Provenances } from "./explain-result";
export { figureOf, type Figure, type Standing, type Step } from "./figure";
export { bandsFromTop, leastReaching, letterOf, letterOutOfOrder, passes, reaches } from "./letters";
export { keptForAssignment } from "./kept-for";
export { neededFor, type Needed } from "./needed";
export { computeCourse, recomputeCell } from "./compute-course";
export { CELL, FLAG, type FlatCourse, type FlatTotals } from "./flat-course";
export { flatten, type Flattened } from "./flatten";
export { waitingPapers, type WaitingPaper } from "./waiting-papers";
