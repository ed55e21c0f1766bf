export { newcomersOf } from "./newcomers";
export { announcedWork, type Announced } from "./give/announced";
export { canReply, unreadReplies, visibleMessages } from "./conversation";
export { facetNow as facetNow, type FacetContent, type FacetContents } from "./give/copies";
export {
  changedSinceRelease,
  copyState,
  dueReleases,
  dueTotals,
  facetOverview,
  isShown,
  studentsMeant,
  visibleTo,
  type Difference,
  type FacetOverview,
  type VisibleAssignment,
} from "./visibility";
export {
  flowCounts,
  laneInSteps,
  laneOf,
  undatedOf,
  weightsAddUp,
  withoutWeight,
  type FlowCounts,
  type Lane,
} from "./lane";
export {
  FINDING_CODES,
  preflight,
  stopsOf,
  stopsRelease,
  withoutStops,
  withStop,
  type Finding,
  type FindingCode,
} from "./preflight";
export { classFigureLeaks, classPapers, type ClassPapers } from "./give/class-figures";
export {
  changedTotalCopies,
  draftTotals,
  totalIds,
  totalName,
  visibleTotals,
  type TotalDifference,
} from "./give/total-copies";
export { visibleChanges, type VisibleChange } from "./visible-change";
export { openingKey, openingsOf, readingOf, sawBetween } from "./leaks/openings";
export { leaksOf, type Leak, type LeakReport, type Observation, type Through } from "./leaks/leaks";
export { countSteps, verdictOf } from "./leaks/verdict";
export { narrow, type Source, type Total } from "./leaks/narrowing";
export { displayedInterval, letterInterval, shownTotals } from "./shown-totals";
export { remindersFor, type ReminderFilter } from "./reminders";
export { handingIn, type HandingIn } from "./give/handing-in";
