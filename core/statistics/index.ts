export { fleissKappa, gwetAc1, krippendorffAlpha } from "./agreement-many";
export { agreementShare, crossTable, gwetOfTable, kappa, limitsOfAgreement, LINEAR, QUADRATIC } from "./agreement-pair";
export type { Statistic } from "./computable";
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
} from "./describe";
export { driftOf, type Drift } from "./drift";
export { binCount, binWidth, histogram } from "./histogram";
export { intraclassCorrelation } from "./intraclass";
export { alphaIfDeleted, cronbachAlpha, itemStatistics, standardErrorOfMeasurement } from "./items";
export { findOverlaps, OVERLAP_DEFAULTS } from "./overlap";
export { normalise, rollingHashes, winnow } from "./winnowing";
