export type { Account, Provenance, WhyLeftOut } from "./account/account";
export { answerPoints, answersSum, keyPoints } from "./rules/answers";
export { categoryTotal, type CategoryTotal, type Item, type Outlook } from "./rules/category-total";
export {
  figuresOf,
  hasWaiting,
  progressOf,
  type Outlooks,
  type Progress,
  type EvaluatedNow,
  type StudentTotals,
} from "./class/course-figures";
export { changedTotals, type ChangedTotal } from "./class/changed-totals";
export type { CountingRules } from "./rules/counting-rules";
export { checkPlan, planOf, termOf, type PlanNode } from "./rules/course-plan";
export { capped, overTerms, termTotal } from "./rules/course-total";
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
export { figureOf, type Figure } from "./rules/figure";
export { bandsFromTop, leastReaching, letterOf, letterOutOfOrder, passes, reaches } from "./rules/letters";
export { assignmentBasis } from "./class/assignment-basis";
export { moderatedPapers, unsettledPapers, type ModeratedPaper } from "./class/moderated";
export { secondPoints } from "./rules/settled";
export { neededFor, type Needed } from "./rules/needed";
export { computeCourse } from "./class/compute-course";
export { CELL, FLAG, type FlatCourse } from "./class/flat-course";
export { flatten } from "./class/flatten";
export { waitingPapers } from "./class/waiting-papers";
