import {
  divide,
  fromDecimal,
  HUNDRED,
  keptBy,
  multiply,
  toNumber,
  type AssignmentId,
  type StudentId,
} from "#core/kernel";
import { assignmentsOf, studentsOf, type Assignment, type CourseState } from "#core/model";
import { assignmentBasis, figuresOf } from "#core/totals";
import { checkNumbers, computed, notComputable, type Statistic } from "../figures/computable";
import { correlation, describeScores, sumOf, type Description } from "../figures/describe";
import { plannedWeights } from "./planned-weights";

/** Scores of an assignment in percent of its points, by student; papers that count as nothing yet are left out. */
export type Percents = ReadonlyMap<StudentId, number>;

/** Work that has points, in the order of the plan. */
export const pointedWork = (state: CourseState): Assignment[] =>
  assignmentsOf(state).filter(({ points, bonus }) => !bonus && fromDecimal(points).n > 0n);

/** What everybody has in an assignment, in percent, with and without what is missing. */
interface AssignmentPercents {
  readonly all: Percents;
  readonly scored: Percents;
}

/** Worked out again only when something of that assignment has changed: a change touches few of many. */
const keptPercents = keptBy({
  owner: (_: CourseState, assignment: Assignment) => assignment,
  basis: assignmentBasis,
  most: 2,
  make: (_, state, assignment): AssignmentPercents => {
    const { figure } = figuresOf(state);
    const maximum = fromDecimal(assignment.points);
    const [all, scored] = [new Map<StudentId, number>(), new Map<StudentId, number>()];
    for (const { id } of studentsOf(state)) {
      const { counted, standing } = figure(assignment.id, id);
      if (!counted) continue;
      const percent = toNumber(divide(multiply(counted, HUNDRED), maximum));
      all.set(id, percent);
      if (standing === "handedIn") scored.set(id, percent);
    }
    return { all, scored };
  },
});

/** What everybody has in an assignment, in percent: handed in and scored, or missing with a figure. */
export const percentsOf = (state: CourseState, assignment: Assignment): Percents => keptPercents(state, assignment).all;

/** The same of what was handed in and scored alone, without what is missing. */
export const scoredPercents = (state: CourseState, assignment: Assignment): Percents =>
  keptPercents(state, assignment).scored;

/** How much of the spread of the totals an assignment decides. */
export interface Deciding {
  readonly assignment: Assignment;
  /** The class in percent of its points. */
  readonly described: Statistic<Description>;
  /** Share of the course total that the plan gives it: 0 to 1. */
  readonly planned: number;
  /** Its share of the spread of the totals: about `planned` where all work spreads alike. Below 0 where it goes against the rest. */
  readonly decides: Statistic;
}

/**
 * Which assignment decides most. A total is a sum of parts, weight times percent, so its variance is the sum of the
 * covariances of each part with it; an assignment decides its covariance over that sum (variance of a sum: Bienaymé's
 * identity; as a measure of influence common practice, no source). Students without a total are left out, and so are those
 * without a figure from that assignment's part; weights are the plan's, so what was dropped or excused makes it approximate.
 */
export function decidingWork(state: CourseState, totals: ReadonlyMap<StudentId, number>): Deciding[] {
  const planned = plannedWeights(state);
  const parts = pointedWork(state).map((assignment) => {
    const percents = percentsOf(state, assignment);
    const both = [...percents].filter(([id]) => totals.has(id));
    const weight = planned.get(assignment.id) ?? 0;
    const own = both.map(([, percent]) => percent);
    const goes = covariance(
      own,
      both.map(([id]) => totals.get(id) ?? 0),
    );
    const described = describeScores([...percents.values()]);
    return { assignment, described, planned: weight, part: goes.ok ? goes.value * weight : null, goes };
  });
  const whole = sumOf(parts.flatMap(({ part }) => part ?? []));
  return parts.map(({ part, goes, ...rest }) => ({
    ...rest,
    decides: !goes.ok ? goes : whole > 0 ? computed((part ?? 0) / whole) : notComputable({ code: "no_variance" }),
  }));
}

/** Sample covariance of two lists, in the product of their units. */
function covariance(a: readonly number[], b: readonly number[]): Statistic {
  const known = checkNumbers([...a, ...b], 4);
  if (!known.ok) return notComputable({ code: "too_few", least: 2, given: a.length });
  const [centreA, centreB] = [sumOf(a) / a.length, sumOf(b) / b.length];
  return computed(sumOf(a.map((value, at) => (value - centreA) * ((b[at] ?? 0) - centreB))) / (a.length - 1));
}

/** Two assignments against each other. */
export interface Pairing {
  readonly firstId: AssignmentId;
  readonly secondId: AssignmentId;
  /** Students with a figure in both. */
  readonly count: number;
  readonly correlation: Statistic;
}

/** How each assignment goes with each other one. */
export function pairings(state: CourseState): Pairing[] {
  const work = pointedWork(state).map((assignment) => ({ id: assignment.id, percents: percentsOf(state, assignment) }));
  return work.flatMap((first, at) =>
    work.slice(at + 1).map((second): Pairing => {
      const both = [...first.percents].filter(([id]) => second.percents.has(id));
      return {
        firstId: first.id,
        secondId: second.id,
        count: both.length,
        correlation: correlation(
          both.map(([, percent]) => percent),
          both.map(([id]) => second.percents.get(id) ?? 0),
        ),
      };
    }),
  );
}

/** A student whose work rises or falls over the term. */
export interface Trend {
  readonly studentId: StudentId;
  /** Percentage points that the work of the later half lies above that of the earlier half, the class's own way taken out. */
  readonly change: number;
}

/** Fewest dated pieces of work from which a way is read. */
const LEAST_WORK = 4;
/** Percentage points from which a way is told. */
const TOLD = 12;

/**
 * Students whose later work lies well above or below their earlier work, by the due dates, each piece measured from the
 * class mean so that a hard assignment is no fall. Half against half; common practice, no source.
 */
export function trendsOf(state: CourseState): Trend[] {
  const dated = pointedWork(state)
    .filter(({ dueAt }) => dueAt !== null)
    .sort((a, b) => ((a.dueAt ?? "") < (b.dueAt ?? "") ? -1 : 1))
    .map((assignment) => {
      const percents = percentsOf(state, assignment);
      const centre = sumOf([...percents.values()]) / (percents.size || 1);
      return { percents, centre };
    })
    .filter(({ percents }) => percents.size > 1);
  return studentsOf(state)
    .flatMap(({ id }): Trend[] => {
      const own = dated.flatMap(({ percents, centre }) => {
        const percent = percents.get(id);
        return percent === undefined ? [] : [percent - centre];
      });
      if (own.length < LEAST_WORK) return [];
      const half = Math.floor(own.length / 2);
      const change = sumOf(own.slice(-half)) / half - sumOf(own.slice(0, half)) / half;
      return Math.abs(change) >= TOLD ? [{ studentId: id, change }] : [];
    })
    .sort((a, b) => a.change - b.change);
}
