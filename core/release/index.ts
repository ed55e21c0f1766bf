export { draftFacet, type FacetContent } from "./copies";
export {
  changedSinceRelease,
  copyState,
  dueReleases,
  facetOverview,
  visibleTo,
  type CopyState,
  type Difference,
  type FacetOverview,
  type VisibleAssignment,
} from "./overview";
export { flowCounts, laneOf, undatedOf, weightsAddUp, type FlowCounts, type Lane, type NextStep } from "./lane";
export { preflight, type Finding } from "./preflight";
