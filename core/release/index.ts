export { canReply, repliesUnread, unreadReplies, visibleMessages, type UnreadReplies } from "./conversation";
export { draftFacet, type FacetContent } from "./copies";
export {
  changedSinceRelease,
  copyState,
  dueReleases,
  facetOverview,
  isShown,
  visibleTo,
  type CopyState,
  type Difference,
  type FacetOverview,
  type VisibleAssignment,
} from "./overview";
export { flowCounts, laneOf, undatedOf, weightsAddUp, type FlowCounts, type Lane, type NextStep } from "./lane";
export { preflight, type Finding } from "./preflight";
export { countSteps, leaksOf, verdictOf, type Leak, type LeakReport, type Verdict } from "./leaks";
export { narrow, type Narrowed, type Source, type Total } from "./narrowing";
export {
  classFigureLeaks,
  displayedInterval,
  letterInterval,
  shownSource,
  shownTotals,
  type ShownTotal,
} from "./shown-totals";
