import {
  add,
  compare,
  divide,
  fromDecimal,
  multiply,
  ok,
  pointsText,
  ratio,
  refuse,
  required,
  subtract,
  whole,
  type Decimal,
  type Result,
} from "#core/kernel";
import type { Criterion, Level, Rubric } from "#core/model";
import type { ScoreIssue } from "./issues";

const lowest = (criterion: Criterion): Level => required(criterion.levels[0], "lowest level");
const highest = (criterion: Criterion): Level => required(criterion.levels.at(-1), "highest level");

/** The ends of a ruler in points. */
export const rulerEnds = (criterion: Criterion): { minimum: Decimal; maximum: Decimal } => ({
  minimum: lowest(criterion).min,
  maximum: highest(criterion).max,
});

/** The level whose range holds the points, the higher one where two touch; null in a gap or outside. */
export function levelAt(criterion: Criterion, points: Decimal): Level | null {
  const value = fromDecimal(points);
  return (
    criterion.levels.findLast(
      (level) => compare(value, fromDecimal(level.min)) >= 0 && compare(value, fromDecimal(level.max)) <= 0,
    ) ?? null
  );
}

/** The points a chosen level proposes: its top, its middle rounded down to the step, or its bottom. */
export function proposedPoints(rubric: Rubric, criterion: Criterion, level: Level): Decimal {
  if (rubric.proposal === "top") return level.max;
  if (rubric.proposal === "bottom") return level.min;
  const min = fromDecimal(level.min);
  const middle = multiply(subtract(fromDecimal(level.max), min), ratio(1n, 2n));
  const step = fromDecimal(criterion.step);
  const steps = divide(middle, step);
  return pointsText(add(min, multiply(step, whole(steps.n / steps.d))));
}

/**
 * One step up or down the ruler. Values in a gap between levels are stepped over to the next level's bound, and the
 * ends hold. From nothing, up starts at the lowest value and down at the highest.
 */
export function steppedPoints(criterion: Criterion, from: Decimal | null, direction: 1 | -1): Decimal {
  const { minimum, maximum } = rulerEnds(criterion);
  if (from === null) return direction > 0 ? minimum : maximum;
  const step = multiply(fromDecimal(criterion.step), whole(direction));
  const target = pointsText(add(fromDecimal(from), step));
  if (levelAt(criterion, target)) return target;
  const bounds = criterion.levels.map((level) => (direction > 0 ? level.min : level.max));
  const beyond = (bound: Decimal) => compare(fromDecimal(bound), fromDecimal(from)) * direction > 0;
  const next = direction > 0 ? bounds.find(beyond) : bounds.findLast(beyond);
  return next ?? (direction > 0 ? maximum : minimum);
}

/** The allowed value nearest to a point on the ruler, for dragging; `share` runs from 0 at its left end to 1. */
export function pointsAtShare(criterion: Criterion, share: number): Decimal {
  const { maximum } = rulerEnds(criterion);
  const step = fromDecimal(criterion.step);
  const steps = divide(fromDecimal(maximum), step);
  const wanted = Math.round(Math.min(1, Math.max(0, share)) * (Number(steps.n) / Number(steps.d)));
  const points = pointsText(multiply(step, whole(wanted)));
  if (levelAt(criterion, points)) return points;
  const value = fromDecimal(points);
  const bounds = criterion.levels.flatMap((level) => [level.min, level.max]);
  const gap = (bound: Decimal) => {
    const difference = subtract(fromDecimal(bound), value);
    return difference.n < 0n ? { n: -difference.n, d: difference.d } : difference;
  };
  return bounds.reduce((best, bound) => (compare(gap(bound), gap(best)) < 0 ? bound : best));
}

/** Checks typed points against the ruler; a value between two levels is asked once. */
export function checkPoints(criterion: Criterion, points: Decimal, confirmed: boolean): Result<Decimal, ScoreIssue> {
  const { minimum, maximum } = rulerEnds(criterion);
  const value = fromDecimal(points);
  if (compare(value, fromDecimal(minimum)) < 0 || compare(value, fromDecimal(maximum)) > 0) {
    return refuse({ code: "points_outside_ruler", text: points, minimum, maximum });
  }
  if (levelAt(criterion, points) || confirmed) return ok(points);
  const below = criterion.levels.findLast((level) => compare(fromDecimal(level.max), value) < 0);
  const above = criterion.levels.find((level) => compare(fromDecimal(level.min), value) > 0);
  return refuse({
    code: "points_between_levels",
    text: points,
    below: below?.max ?? minimum,
    above: above?.min ?? maximum,
    canConfirm: true,
  });
}
