import { divide, fromDecimal, HUNDRED, multiply, toNumber, type MarkerId, type SectionId } from "#core/kernel";
import { courseOf, sectionsOf, type Assignment, type CourseState } from "#core/model";
import { bandsFromTop, progressOf, type Progress } from "#core/totals";
import type { Statistic } from "../figures/computable";
import { describeScores, type Description } from "../figures/describe";
import { groupDifference, type GroupDifference } from "../figures/groups";
import { markedPapers, type MarkedPaper, type Scorings } from "./marked";

/** Papers that are looked at together: all, those of a section, or those of a marker. */
export interface SpreadGroup {
  readonly kind: "all" | "section" | "marker";
  /** The section or the marker; null for all. */
  readonly id: SectionId | MarkerId | null;
  readonly papers: readonly MarkedPaper[];
  readonly described: Statistic<Description>;
}

/** A band of the letter scale on the scale of one assignment, in points. */
export interface PointBand {
  readonly letter: string;
  readonly from: number;
}

/** How a class lies on the point scale of one assignment. */
export interface Spread {
  /** The assignment's points, or the highest score where it lies above them. */
  readonly top: number;
  /** All papers first, then by section and by marker where there are at least two of them. */
  readonly groups: readonly SpreadGroup[];
  readonly progress: Progress;
  /** From the highest band to the lowest; none for work without points. */
  readonly bands: readonly PointBand[];
  readonly passMark: number | null;
  readonly sections: Statistic<GroupDifference>;
  readonly markers: Statistic<GroupDifference>;
}

/** How the scored papers of an assignment lie, all together, by section and by marker. */
export function spreadOf(state: CourseState, assignment: Assignment, scorings: Scorings): Spread {
  const papers = markedPapers(state, assignment, scorings);
  const maximum = fromDecimal(assignment.points);
  const course = courseOf(state);
  const atPercent = (percent: Parameters<typeof fromDecimal>[0]) =>
    toNumber(divide(multiply(maximum, fromDecimal(percent)), HUNDRED));
  const hasScale = maximum.n > 0n;
  const bySection = split(
    "section",
    papers,
    ({ sectionId }) => sectionId,
    sectionsOf(state).map(({ id }) => id),
  );
  const byMarker = split(
    "marker",
    papers,
    ({ markerId }) => markerId,
    Object.values(state.markers).map(({ id }) => id),
  );
  const values = (groups: readonly SpreadGroup[]) => groups.map((group) => group.papers.map(({ points }) => points));
  return {
    top: Math.max(toNumber(maximum), ...papers.map(({ points }) => points)),
    groups: [groupOf("all", null, papers), ...bySection, ...byMarker],
    progress: progressOf(state, assignment),
    bands: hasScale ? bandsFromTop(course.letters).map(({ letter, from }) => ({ letter, from: atPercent(from) })) : [],
    passMark: hasScale ? atPercent(course.passMark) : null,
    sections: groupDifference(values(bySection)),
    markers: groupDifference(values(byMarker)),
  };
}

const groupOf = (kind: SpreadGroup["kind"], id: SpreadGroup["id"], papers: readonly MarkedPaper[]): SpreadGroup => ({
  kind,
  id,
  papers,
  described: describeScores(papers.map(({ points }) => points)),
});

/** The papers by what they have in common; none where they are all of one kind, which tells nothing. */
function split<Id extends SectionId | MarkerId>(
  kind: SpreadGroup["kind"],
  papers: readonly MarkedPaper[],
  of: (paper: MarkedPaper) => Id | null,
  inOrder: readonly Id[],
): SpreadGroup[] {
  const groups = inOrder
    .map((id) =>
      groupOf(
        kind,
        id,
        papers.filter((paper) => of(paper) === id),
      ),
    )
    .filter((group) => group.papers.length > 0);
  return groups.length > 1 ? groups : [];
}
