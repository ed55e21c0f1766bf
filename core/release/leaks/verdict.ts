import {
  add,
  compare,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  ratio,
  smaller,
  subtract,
  ZERO,
  type Exact,
  type Interval,
} from "#core/kernel";
import { rubricOf, type Assignment, type Course, type CourseState } from "#core/model";
import { isWeighted, rulerEnds } from "#core/scoring";
import { letterOf, passes } from "#core/totals";

/** How much of a sealed score can be worked out (handbook, section 8). */
export type Verdict = "certain" | "narrow" | "open";

/** The step a score moves in where no rubric says more: half points (common practice, no source). */
const HALF_POINT = ratio(1n, 2n);

/** Certain: one score is left. Narrow: within 10 % of the points, or on one side of the pass mark or inside one letter. */
export function verdictOf(
  course: Course,
  interval: Interval,
  before: Interval,
  maximum: Exact,
  scoresLeft: number,
): Verdict {
  if (scoresLeft <= 1) return "certain";
  const width = subtract(interval.high, interval.low);
  if (compare(multiply(width, ratio(10n, 1n)), maximum) <= 0) return "narrow";
  const untouched = compare(width, subtract(before.high, before.low)) === 0;
  if (untouched || maximum.n <= 0n) return "open";
  const [low, high] = [interval.low, interval.high].map((end) => divide(multiply(end, HUNDRED), maximum)) as [
    Exact,
    Exact,
  ];
  const oneSide = passes(course, low) === passes(course, high);
  return oneSide || letterOf(course, low) === letterOf(course, high) ? "narrow" : "open";
}

/** The step in which a score of an assignment moves. */
export function stepOf(state: CourseState, assignment: Assignment): Exact {
  const rubric = rubricOf(state, assignment);
  if (!rubric || isWeighted(rubric)) return HALF_POINT;
  const finest = rubric.criteria.map(({ step }) => fromDecimal(step)).reduce(smaller);
  if (!rubric.scaled) return finest.n > 0n ? finest : HALF_POINT;
  const whole = rubric.criteria.map((item) => fromDecimal(rulerEnds(item).maximum)).reduce(add);
  const scaled = whole.n <= 0n ? ZERO : multiply(finest, divide(fromDecimal(assignment.points), whole));
  return scaled.n > 0n ? scaled : HALF_POINT;
}

/** How many multiples of a step lie in an interval. */
export function countSteps(interval: Interval, step: Exact): number {
  const floor = ({ n, d }: Exact): bigint => (n >= 0n ? n / d : -((-n + d - 1n) / d));
  const [low, high] = [divide(interval.low, step), divide(interval.high, step)];
  const first = low.d === 1n && !interval.lowIncluded ? low.n + 1n : -floor({ n: -low.n, d: low.d });
  const last = high.d === 1n && !interval.highIncluded ? high.n - 1n : floor(high);
  return last < first ? 0 : Number(last - first + 1n);
}
