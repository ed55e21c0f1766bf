export { newcomersOf, type Newcomers } from "./newcomers";
export { announcedWork, type Announced, type AnnouncedCriterion } from "./give/announced";
export { canReply, repliesUnread, unreadReplies, visibleMessages, type UnreadReplies } from "./conversation";
export { draftFacet, type FacetContent, type FacetContents } from "./give/copies";
export {
  changedSinceRelease,
  copyState,
  dueReleases,
  dueTotals,
  facetOverview,
  isShown,
  studentsMeant,
  visibleTo,
  type CopyState,
  type Difference,
  type Due,
  type FacetOverview,
  type VisibleAssignment,
} from "./visibility";
export {
  flowCounts,
  laneOf,
  undatedOf,
  weightsAddUp,
  withoutWeight,
  type FlowCounts,
  type Lane,
  type NextStep,
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
export {
  classDifferenceLeaks,
  classFigureLeaks,
  classPapers,
  papersBetween,
  type ClassPapers,
} from "./give/class-figures";
export {
  changedTotalCopies,
  draftTotals,
  totalIds,
  totalName,
  visibleTotals,
  type TotalDifference,
} from "./give/total-copies";
export { visibleChanges, type VisibleChange } from "./visible-change";
export { openingKey, openingsOf, readingOf, sawBetween, type Reading } from "./leaks/openings";
export {
  countSteps,
  leaksOf,
  verdictOf,
  type Leak,
  type LeakReport,
  type Observation,
  type Through,
  type Verdict,
} from "./leaks/leaks";
export { narrow, type Narrowed, type Source, type Total } from "./leaks/narrowing";
export { displayedInterval, letterInterval, shownSource, shownTotals, type ShownTotal } from "./shown-totals";
export { remindersFor, type Reminded, type ReminderFilter } from "./reminders";
