import {
  add,
  closed,
  compare,
  divide,
  fractionText,
  fromDecimal,
  fromFraction,
  HUNDRED,
  larger,
  multiply,
  ratio,
  smaller,
  subtract,
  ZERO,
  type AssignmentId,
  type Exact,
  type Interval,
  type StudentId,
} from "#core/kernel";
import { copyOf, courseOf, rubricOf, type Assignment, type Course, type CourseState } from "#core/model";
import { isWeighted, rulerEnds } from "#core/scoring";
import { figuresOf, letterOf, passes, type Item } from "#core/totals";
import { leakTotals } from "./leak-totals";
import { narrow, type Source } from "./narrowing";
import { isShown } from "./overview";

/** How much of a sealed score can be worked out (handbook, section 8). */
export type Verdict = "exact" | "narrow" | "open";

/** A sealed score that enters a visible total, with what follows about it. */
export interface Leak {
  readonly assignmentId: AssignmentId;
  readonly verdict: Verdict;
  /** All values consistent with what is visible, in points. */
  readonly interval: Interval;
  readonly maximum: Exact;
  /** Scores on the score's step that lie in the interval. */
  readonly possible: number;
  /** What it follows from. */
  readonly from: "totals" | "rubric";
}

/** What one student could work out. */
export interface LeakReport {
  readonly studentId: StudentId;
  readonly leaks: readonly Leak[];
  /** Visible totals that their parts cannot give; never to be taken as safe. */
  readonly inconsistent: readonly string[];
  /** Visible totals that may leap when a score moves, and are not used; not to be taken as safe either. */
  readonly unchecked: readonly string[];
}

/** The step a score moves in where no rubric says more: half points (common practice, no source). */
const HALF_POINT = ratio(1n, 2n);

/**
 * Checks one student against all totals they can see, and those they could see in `earlier` states of the course: a
 * total seen before and after a change tells the change. The student is taken to know the rules, the weights, the
 * maxima and every released value.
 */
export function leaksOf(state: CourseState, studentId: StudentId, earlier: readonly CourseState[] = []): LeakReport {
  const hidden = new Map<string, Interval>();
  const sealed = new Map<string, Assignment>();
  const leafOf =
    (at: CourseState) =>
    (assignment: Assignment, item: Item): Source => {
      if (item.value === null) return { kind: "known", value: null };
      if (isKnown(at, assignment, studentId, item.value)) return { kind: "known", value: item.value };
      // A value that has not changed since is the same unknown then and now.
      const id = `${assignment.id}=${fractionText(item.value)}`;
      const maximum = fromDecimal(assignment.points);
      hidden.set(id, closed(smaller(ZERO, item.value), larger(maximum, item.value)));
      if (at === state) sealed.set(id, assignment);
      return { kind: "hidden", id };
    };
  const found = [state, ...earlier].map((at) => leakTotals(at, studentId, leafOf(at)));
  const trees = found.flatMap((totals) => totals.trees);
  const { intervals, inconsistent } = narrow(trees, hidden);
  const course = courseOf(state);
  const throughTotals = [...sealed].flatMap(([id, assignment]) => {
    const [interval, before] = [intervals.get(id), hidden.get(id)];
    return interval && before ? [leakOf(state, course, assignment, interval, before)] : [];
  });
  return {
    studentId,
    leaks: [...throughTotals, ...throughRubrics(state, studentId)],
    inconsistent,
    unchecked: [...new Set(found.flatMap(({ unchecked }) => unchecked))],
  };
}

/** Whether the student has been given the very value that enters the totals. */
function isKnown(state: CourseState, assignment: Assignment, studentId: StudentId, value: Exact): boolean {
  if (!isShown(state, assignment, studentId, "score")) return false;
  const exact = copyOf(state, assignment.id, studentId).score?.content.exact;
  return exact != null && compare(fromFraction(exact), value) === 0;
}

/** Scores whose rubric detail is out while they are sealed: the points add up to them. */
function throughRubrics(state: CourseState, studentId: StudentId): Leak[] {
  return Object.values(state.assignments).flatMap((assignment): Leak[] => {
    const { rubric } = copyOf(state, assignment.id, studentId);
    const score = figuresOf(state).figure(assignment.id, studentId).rubric?.score;
    const open = rubric && isShown(state, assignment, studentId, "rubric");
    if (!open || !score || isShown(state, assignment, studentId, "score")) return [];
    const maximum = fromDecimal(assignment.points);
    return [
      {
        assignmentId: assignment.id,
        verdict: "exact",
        interval: closed(score, score),
        maximum,
        possible: 1,
        from: "rubric",
      },
    ];
  });
}

function leakOf(
  state: CourseState,
  course: Course,
  assignment: Assignment,
  interval: Interval,
  before: Interval,
): Leak {
  const maximum = fromDecimal(assignment.points);
  const possible = countSteps(interval, stepOf(state, assignment));
  const verdict = verdictOf(course, interval, before, maximum, possible);
  return { assignmentId: assignment.id, verdict, interval, maximum, possible, from: "totals" };
}

/** Exact: one possible score. Narrow: within 10 % of the points, or on one side of the pass mark or inside one letter. */
export function verdictOf(
  course: Course,
  interval: Interval,
  before: Interval,
  maximum: Exact,
  possible: number,
): Verdict {
  if (possible <= 1) return "exact";
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

function stepOf(state: CourseState, assignment: Assignment): Exact {
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
