export type { Account, AccountPart, AppliedRule, Provenance, WhyLeftOut } from "./account/account";
export { answerPoints, answersSum, type AnswersSum } from "./rules/answers";
export {
  categoryTotal,
  type CategoryTotal,
  type Item,
  type LeftOutReason,
  type Outlook,
  type Part,
} from "./rules/category-total";
export {
  figuresOf,
  hasWaiting,
  progressOf,
  type CourseFigures,
  type Outlooks,
  type Progress,
  type StudentTotals,
} from "./class/course-figures";
export { changedTotals, type ChangedTotal } from "./class/changed-totals";
export { checkPlan, planOf, termOf, type CoursePlan, type PlanFinding, type PlanNode } from "./rules/course-plan";
export { capped, overTerms, termTotal, type CategoryShare, type TermTotal } from "./rules/course-total";
export { dropFromPool, dropLowestPercents, staying } from "./rules/drops";
export {
  categoryTotals,
  evaluate,
  evaluateNode,
  itemOf,
  type Evaluated,
  type ItemSource,
  type NodeTotal,
} from "./rules/evaluate";
export { explainCategory, explainTotal } from "./account/explain";
export { explainResult, type Provenances } from "./account/explain-result";
export { figureOf, type Figure, type Standing, type Step } from "./rules/figure";
export { bandsFromTop, leastReaching, letterOf, letterOutOfOrder, passes, reaches } from "./rules/letters";
export { keptForAssignment } from "./class/kept-for";
export { neededFor, type Needed } from "./rules/needed";
export { computeCourse, recomputeCell } from "./class/compute-course";
export { CELL, FLAG, type FlatCourse, type FlatTotals } from "./class/flat-course";
export { flatten, type Flattened } from "./class/flatten";
export { waitingPapers, type WaitingPaper } from "./class/waiting-papers";
