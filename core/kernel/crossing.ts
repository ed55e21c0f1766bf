import { add, compare, divide, multiply, ratio, subtract, type Exact } from "./exact";

/** Where a function that never falls first reaches a target; `exact` unless it was only closed in on. */
export interface Crossing {
  readonly at: Exact;
  readonly exact: boolean;
}

/** Answers are never farther than this from the true place. */
const GRAIN = ratio(1n, 10_000n);
/** Rounds of the search; each at least halves the stretch that is left. */
const MOST_ROUNDS = 48;
const HALF = ratio(1n, 2n);

const middle = (a: Exact, b: Exact): Exact => multiply(add(a, b), HALF);

/** Rounded up to the grain, so that the numbers of the search do not grow without end. */
function roundedUp(value: Exact): Exact {
  const grains = divide(value, GRAIN);
  const below = grains.n / grains.d;
  const whole = below * grains.d < grains.n ? below + 1n : below;
  return multiply({ n: whole, d: 1n }, GRAIN);
}

interface Point {
  readonly x: Exact;
  readonly y: Exact;
}

/** Where the straight line between two points meets the target; the middle where that is no way forward. */
function lineMeets(below: Point, above: Point, target: Exact): Exact {
  const rise = subtract(above.y, below.y);
  if (rise.n <= 0n) return middle(below.x, above.x);
  const x = add(below.x, multiply(subtract(above.x, below.x), divide(subtract(target, below.y), rise)));
  return compare(x, below.x) > 0 && compare(x, above.x) <= 0 ? x : middle(below.x, above.x);
}

/**
 * The least `x` from `low` to `high` with `f(x) >= target`, for a continuous function made of straight pieces that never
 * falls; null when even `f(high)` stays below. Totals are such functions of one score, whatever is dropped or capped.
 * The line between the two ends meets the target exactly once both lie on the piece that crosses it; the halving in
 * between makes sure that they soon do.
 */
export function firstReaching(f: (x: Exact) => Exact, low: Exact, high: Exact, target: Exact): Crossing | null {
  let above: Point = { x: high, y: f(high) };
  if (compare(above.y, target) < 0) return null;
  let below: Point = { x: low, y: f(low) };
  if (compare(below.y, target) >= 0) return { at: low, exact: true };
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const x = lineMeets(below, above, target);
    const y = f(x);
    if (compare(y, target) === 0 && isFirst(f, x, low, target)) return { at: x, exact: true };
    if (compare(y, target) >= 0) above = { x, y };
    else below = { x, y };
    if (compare(subtract(above.x, below.x), GRAIN) <= 0) break;
    const between = roundedUp(middle(below.x, above.x));
    if (compare(between, above.x) >= 0) break;
    const there = f(between);
    if (compare(there, target) >= 0) above = { x: between, y: there };
    else below = { x: between, y: there };
  }
  return { at: above.x, exact: false };
}

/** Whether a grain before `x` the target is not reached yet. */
function isFirst(f: (x: Exact) => Exact, x: Exact, low: Exact, target: Exact): boolean {
  const before = subtract(x, GRAIN);
  return compare(before, low) <= 0 || compare(f(before), target) < 0;
}
