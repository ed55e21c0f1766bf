import { add, compare, divide, multiply, subtract, whole, ZERO, type Exact } from "#core/kernel";
import type { Category } from "#core/model";

/** One item that may be dropped: points given out of its maximum, which is above 0. */
export interface Droppable {
  readonly value: Exact;
  readonly points: Exact;
}

/** What stands in the category beside the droppable items: always-counting items, and bonus in the numerator. */
export interface Beside {
  readonly earned: Exact;
  readonly possible: Exact;
}

/** How many of `count` droppable items stay. At least one item of the category stays (section 4). */
export function staying(keep: Category["keep"], count: number, besideItems: number): number {
  const wished = keep.kind === "all" ? count : keep.kind === "dropLowest" ? count - keep.count : keep.count;
  const least = besideItems > 0 ? 0 : 1;
  return Math.min(count, Math.max(least, wished));
}

/** Indexes from the first to be dropped to the last: by `worth`, and of equal worth the earlier first. */
function fromWorst(worths: readonly Exact[]): number[] {
  return worths.map((_, index) => index).sort((a, b) => compare(worths[a] ?? ZERO, worths[b] ?? ZERO) || a - b);
}

/** The indexes dropped where every item counts alike: the lowest percentages, of equal ones the earlier due. */
export function dropLowestPercents(items: readonly Droppable[], stay: number): ReadonlySet<number> {
  return new Set(fromWorst(items.map(({ value, points }) => divide(value, points))).slice(0, items.length - stay));
}

/**
 * The indexes dropped from pooled points so that what stays has the highest percentage. With unequal points that is
 * neither always the lowest percentage nor the fewest points; the optimum is found exactly by Kane & Kane's iteration
 * (Dropping lowest grades, Mathematics Magazine 79(3), 2006): for a ratio q every item is worth `value - q x points`,
 * the best set for q gives a ratio no lower, and when it is the same the set is optimal.
 */
export function dropFromPool(items: readonly Droppable[], stay: number, beside: Beside): ReadonlySet<number> {
  const dropped = items.length - stay;
  if (dropped <= 0) return new Set();
  // Out of equal points each set weighs the same, and the fewest points are the lowest percentages.
  const [first] = items;
  if (first && items.every(({ points }) => compare(points, first.points) === 0)) {
    return new Set(fromWorst(items.map(({ value }) => value)).slice(0, dropped));
  }
  // The start only has to be a ratio that some set of this size reaches; any one will do.
  let set = new Set(fromWorst(items.map(({ value, points }) => divide(value, points))).slice(0, dropped));
  if (stay === 0 && beside.possible.n === 0n) return set;
  for (;;) {
    const ratio = ratioOf(items, set, beside);
    const worst = fromWorst(items.map(({ value, points }) => subtract(value, multiply(ratio, points))));
    const better = new Set(worst.slice(0, dropped));
    if (compare(ratioOf(items, better, beside), ratio) === 0) return better;
    set = better;
  }
}

function ratioOf(items: readonly Droppable[], dropped: ReadonlySet<number>, beside: Beside): Exact {
  let { earned, possible } = beside;
  items.forEach((item, index) => {
    if (dropped.has(index)) return;
    earned = add(earned, item.value);
    possible = add(possible, item.points);
  });
  return possible.n === 0n ? whole(0) : divide(earned, possible);
}
