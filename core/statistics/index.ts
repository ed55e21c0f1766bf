export { fleissKappa, gwetAc1, krippendorffAlpha, type Metric, type Ratings } from "./agreement-many";
export {
  agreementShare,
  crossTable,
  gwetOfTable,
  kappa,
  limitsOfAgreement,
  LINEAR,
  NOMINAL,
  QUADRATIC,
  type CrossTable,
  type Disagreement,
  type LimitsOfAgreement,
} from "./agreement-pair";
export type { NotComputable, Statistic } from "./computable";
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
  type Description,
} from "./describe";
export { driftOf, type Drift } from "./drift";
export { binCount, binWidth, histogram, type Bin, type BinRule } from "./histogram";
export { intraclassCorrelation } from "./intraclass";
export {
  alphaIfDeleted,
  cronbachAlpha,
  itemStatistics,
  standardErrorOfMeasurement,
  type ItemStatistics,
} from "./items";
export {
  findOverlaps,
  OVERLAP_DEFAULTS,
  type Overlap,
  type OverlapSettings,
  type OverlapText,
  type SharedPassage,
} from "./overlap";
export { normalise, rollingHashes, winnow, type Fingerprint } from "./winnowing";
