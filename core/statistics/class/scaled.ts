import { compare, fromDecimal, toNumber, type Exact, type StudentId } from "#core/kernel";
import type { Assignment, CourseState, Scaling } from "#core/model";
import { figuresOf } from "#core/totals";
import type { Statistic } from "../figures/computable";
import { describeScores, type Description } from "../figures/describe";
import { markedPapers } from "./marked";

/** One paper before and after a scaling, in points. */
export interface ScaledPaper {
  readonly studentId: StudentId;
  readonly before: number;
  readonly after: number;
}

/** A class before and after a scaling. */
export interface ScalingPreview {
  readonly papers: readonly ScaledPaper[];
  readonly before: Statistic<Description>;
  readonly after: Statistic<Description>;
  readonly gain: readonly ScaledPaper[];
  readonly lose: readonly ScaledPaper[];
  /** Papers that would stand above the assignment's points. */
  readonly above: number;
}

/** The scores of an assignment as they were given, before any scaling; those of papers that were handed in and scored. */
export const givenScores = (state: CourseState, assignment: Assignment): Exact[] =>
  markedPapers(withScaling(state, assignment, null), assignment, new Map()).flatMap(({ figure }) => figure.score ?? []);

/** What a scaling would make of the class, from the scores as they were given; null takes the scaling back. */
export function scalingPreview(state: CourseState, assignment: Assignment, scaling: Scaling | null): ScalingPreview {
  const then = withScaling(state, assignment, scaling);
  const { figure } = figuresOf(then);
  const maximum = fromDecimal(assignment.points);
  let above = 0;
  const papers = markedPapers(state, assignment, new Map()).flatMap(({ studentId, points }): ScaledPaper[] => {
    const counted = figure(assignment.id, studentId).counted;
    if (!counted) return [];
    if (compare(counted, maximum) > 0) above += 1;
    return [{ studentId, before: points, after: toNumber(counted) }];
  });
  return {
    papers,
    before: describeScores(papers.map(({ before }) => before)),
    after: describeScores(papers.map(({ after }) => after)),
    gain: papers.filter(({ before, after }) => after > before),
    lose: papers.filter(({ before, after }) => after < before),
    above,
  };
}

const withScaling = (state: CourseState, assignment: Assignment, scaling: Scaling | null): CourseState => ({
  ...state,
  assignments: { ...state.assignments, [assignment.id]: { ...assignment, scaling } },
});
