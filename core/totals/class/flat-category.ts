import type { Category } from "#core/model";
import { staying } from "../rules/drops";
import { SAFE } from "./flat-units";

/** The items of one category of one student, in units; the arrays are used again for the next one. */
export interface Basket {
  readonly values: Float64Array;
  readonly points: Float64Array;
  /** 1 where an item is never dropped. */
  readonly always: Uint8Array;
  readonly dropped: Uint8Array;
  /** How each item compares with the others while the worst are looked for. */
  readonly worth: Float64Array;
  size: number;
  fixed: number;
  /** Bonus in units. */
  gain: number;
}

/** An empty basket for up to `most` items. */
export const newBasket = (most: number): Basket => ({
  values: new Float64Array(most),
  points: new Float64Array(most),
  always: new Uint8Array(most),
  dropped: new Uint8Array(most),
  worth: new Float64Array(most),
  size: 0,
  fixed: 0,
  gain: 0,
});

/** A figure as numerator over denominator; a denominator of 0 says that nothing counts, `safe` whether it is exact. */
export interface Fraction {
  numerator: number;
  denominator: number;
  /** Maxima of what stays, in units. */
  possible: number;
  safe: boolean;
}

const at = (list: Float64Array, index: number): number => list[index] ?? 0;

/** Marks the `count` items of least worth that may go, the earlier of equals first. */
function dropWorst(basket: Basket, count: number): void {
  basket.dropped.fill(0, 0, basket.size);
  for (let round = 0; round < count; round += 1) {
    let worst = -1;
    for (let index = 0; index < basket.size; index += 1) {
      if (basket.dropped[index] === 1 || basket.always[index] === 1) continue;
      if (worst < 0 || at(basket.worth, index) < at(basket.worth, worst)) worst = index;
    }
    if (worst >= 0) basket.dropped[worst] = 1;
  }
}

/** Adds up what stays: values with the bonus, and points. */
function addUp(basket: Basket, out: Fraction): void {
  let earned = basket.gain;
  let possible = 0;
  for (let index = 0; index < basket.size; index += 1) {
    if (basket.dropped[index] === 1) continue;
    earned += at(basket.values, index);
    possible += at(basket.points, index);
  }
  out.numerator = earned;
  out.denominator = possible;
}

/** Drops from pooled points by Kane & Kane's iteration in whole numbers; see `dropFromPool`. */
function dropPooled(basket: Basket, count: number, out: Fraction): void {
  basket.dropped.fill(0, 0, basket.size);
  addUp(basket, out);
  if (out.denominator === 0) return;
  for (;;) {
    const { numerator, denominator } = out;
    for (let index = 0; index < basket.size; index += 1) {
      const worth = at(basket.values, index) * denominator - numerator * at(basket.points, index);
      if (Math.abs(worth) >= SAFE / 2 || Math.abs(numerator * at(basket.points, index)) >= SAFE / 2) out.safe = false;
      basket.worth[index] = worth;
    }
    dropWorst(basket, count);
    addUp(basket, out);
    if (Math.abs(out.numerator * denominator) >= SAFE || !out.safe) {
      out.safe = false;
      return;
    }
    // At the optimum the ratio that chose the set is the ratio of the set itself; nothing above it is left.
    if (out.denominator === 0 || out.numerator * denominator === numerator * out.denominator) return;
  }
}

function greatestCommon(a: number, b: number): number {
  let [x, y] = [Math.abs(a), Math.abs(b)];
  while (y !== 0) [x, y] = [y, x % y];
  return x || 1;
}

/** Values brought to one common denominator, so that percentages can be compared and added as whole numbers. */
function toShares(basket: Basket, out: Fraction): number {
  let common = 1;
  for (let index = 0; index < basket.size; index += 1) {
    const points = at(basket.points, index);
    common = (common / greatestCommon(common, points)) * points;
    if (common >= SAFE) out.safe = false;
  }
  for (let index = 0; index < basket.size; index += 1) {
    const share = at(basket.values, index) * (common / at(basket.points, index));
    if (Math.abs(share) >= SAFE / (basket.size + 1)) out.safe = false;
    basket.worth[index] = share;
  }
  return common;
}

/** The category's percentage of one student as a reduced fraction, or unsafe where doubles would not be exact. */
export function flatCategory(
  rule: Pick<Category, "method" | "keep">,
  basket: Basket,
  perPoint: number,
  out: Fraction,
): void {
  out.numerator = 0;
  out.denominator = 0;
  out.possible = 0;
  out.safe = true;
  if (basket.size === 0) return;
  const droppable = basket.size - basket.fixed;
  const count = droppable - staying(rule.keep, droppable, basket.fixed);
  if (rule.method === "pooled") {
    if (count > 0) dropPooled(basket, count, out);
    else {
      basket.dropped.fill(0, 0, basket.size);
      addUp(basket, out);
    }
    out.possible = out.denominator;
    out.numerator *= 100;
  } else {
    ofShares(rule.method, basket, count, perPoint, out);
  }
  if (Math.abs(out.numerator) >= SAFE || out.denominator >= SAFE) out.safe = false;
  const common = greatestCommon(out.numerator, out.denominator);
  out.numerator /= common;
  out.denominator /= common;
}

function ofShares(
  method: "mean" | "median" | "best",
  basket: Basket,
  count: number,
  perPoint: number,
  out: Fraction,
): void {
  const common = toShares(basket, out);
  dropWorst(basket, count);
  const kept: number[] = [];
  for (let index = 0; index < basket.size; index += 1) {
    if (basket.dropped[index] === 1) continue;
    kept.push(at(basket.worth, index));
    out.possible += at(basket.points, index);
  }
  kept.sort((a, b) => a - b);
  const half = kept.length >> 1;
  const upper = kept[half] ?? 0;
  const [sum, parts] =
    method === "mean"
      ? [kept.reduce((total, share) => total + share, 0), kept.length]
      : method === "best"
        ? [kept.at(-1) ?? 0, 1]
        : kept.length % 2 === 1
          ? [upper, 1]
          : [(kept[half - 1] ?? 0) + upper, 2];
  // Bonus adds its points as percentage points.
  const wholes = parts * common;
  out.numerator = 100 * sum * perPoint + basket.gain * wholes;
  out.denominator = wholes * perPoint;
  if (Math.abs(100 * sum * perPoint) >= SAFE || Math.abs(basket.gain * wholes) >= SAFE) out.safe = false;
}
