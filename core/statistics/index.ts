export { fleissKappa, gwetAc1, krippendorffAlpha } from "./agreement/agreement-many";
export {
  agreementShare,
  crossTable,
  gwetOfTable,
  kappa,
  limitsOfAgreement,
  LINEAR,
  QUADRATIC,
} from "./agreement/agreement-pair";
export { intraclassCorrelation } from "./agreement/intraclass";
export { decidingWork, pairings, percentsOf, pointedWork, trendsOf, type Deciding, type Pairing } from "./class/course";
export {
  criteriaOf,
  type CriterionFigures,
  type JudgingOrder,
  type LevelUse,
  type RubricFigures,
} from "./class/criteria";
export { lettersMoved, lettersOf, withBound, type LetterFigures, type LetterMove } from "./class/letters";
export { markedPapers, type MarkedPaper, type Scoring, type Scorings } from "./class/marked";
export { sampleOf } from "./class/sample";
export { agreementOf, type Agreement, type CriterionAgreement } from "./class/second-marking";
export { questionFigures, type AnswerUse, type QuestionFigures } from "./class/questions";
export { givenScores, scalingPreview, type ScaledPaper, type ScalingPreview } from "./class/scaled";
export { spreadOf, type Spread, type SpreadGroup } from "./class/spread";
export type { NotComputable, Statistic } from "./figures/computable";
export {
  correlation,
  describeScores,
  mean,
  percentileRank,
  quantile,
  ranks,
  standardDeviation,
  sumOf,
  variance,
} from "./figures/describe";
export { driftOf, type Drift } from "./figures/drift";
export { groupDifference, type GroupDifference } from "./figures/groups";
export { binCount, binWidth, histogram } from "./figures/histogram";
export { cronbachAlpha, itemsTogether, itemStatistics, standardErrorOfMeasurement } from "./figures/items";
export { ODD_CODES, oddBasis, oddStudents, oddSubject, type Oddity } from "./odd/oddity";
export { oddFound, type OddFound } from "./odd/open";
export { findOverlaps, OVERLAP_DEFAULTS, type Overlap } from "./overlap/overlap";
export { overlapGroups, sharedLetters } from "./overlap/overlap-groups";
export { quotationsIn } from "./overlap/quotations";
export { normalise, rollingHashes, winnow } from "./overlap/winnowing";
