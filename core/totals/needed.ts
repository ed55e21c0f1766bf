import {
  add,
  compare,
  divide,
  HUNDRED,
  multiply,
  ratio,
  subtract,
  whole,
  ZERO,
  type Decimal,
  type Exact,
} from "#core/kernel";
import type { CoursePlan } from "./course-plan";
import { evaluate, type ItemSource } from "./evaluate";
import { leastReaching, reaches } from "./letters";

/** What is still needed for a bound: on average, in percent of the open work's points. */
export type Needed =
  | { readonly kind: "nothingCounts" }
  /** Reached whatever comes. */
  | { readonly kind: "reached" }
  /** Out of reach: even full points for all that is open come to `highest`. */
  | { readonly kind: "outOfReach"; readonly highest: Exact }
  /** `percent` for all open work reaches the bound; a `grain` less does not. */
  | { readonly kind: "needs"; readonly percent: Exact; readonly exact: boolean };

/** Steps of the search after which the answer is rounded up to the grain. */
const MOST_STEPS = 40;
/** Finest answer where no exact one was met, in percent. */
const GRAIN = ratio(1n, 10_000n);

/** The course total when all open work comes out at a percentage of its points; bonus work stays out of it. */
function totalAt(plan: CoursePlan, source: ItemSource, percent: Exact): Exact | null {
  const hoped: ItemSource = (assignment) => {
    const item = source(assignment);
    const open = item.value === null && (item.standing === "open" || item.standing === "missing") && !item.bonus;
    return open ? { ...item, standing: "counts", value: divide(multiply(item.points, percent), HUNDRED) } : item;
  };
  return evaluate(plan, hoped, "now").percent;
}

/**
 * The average still needed on all open work for a total to reach `bound` percent: a letter's band or the pass mark. The
 * total never falls when the average rises and is made of straight pieces, so the place where it crosses is met by
 * following the line between two points; with curved totals it is closed in on from both sides and rounded up.
 */
export function neededFor(plan: CoursePlan, source: ItemSource, bound: Decimal): Needed {
  const { course } = plan;
  const highest = totalAt(plan, source, HUNDRED);
  if (!highest) return { kind: "nothingCounts" };
  if (!reaches(course, highest, bound)) return { kind: "outOfReach", highest };
  const lowest = totalAt(plan, source, ZERO);
  if (!lowest || reaches(course, lowest, bound)) return { kind: "reached" };
  const target = leastReaching(course, bound);
  let below = { percent: ZERO, total: lowest };
  let above = { percent: HUNDRED, total: highest };
  for (let step = 0; step < MOST_STEPS && compare(subtract(above.percent, below.percent), GRAIN) > 0; step += 1) {
    const crossing = crossingOf(below, above, target);
    const total = totalAt(plan, source, crossing);
    if (!total) break;
    const side = compare(total, target);
    if (side === 0 && isLeast(plan, source, crossing, target)) return { kind: "needs", percent: crossing, exact: true };
    if (side >= 0) above = { percent: crossing, total };
    else below = { percent: crossing, total };
    const middle = multiply(add(below.percent, above.percent), ratio(1n, 2n));
    const there = totalAt(plan, source, middle);
    if (there && compare(there, target) >= 0) above = { percent: middle, total: there };
    else if (there) below = { percent: middle, total: there };
  }
  return { kind: "needs", percent: roundedUp(above.percent), exact: false };
}

interface Point {
  readonly percent: Exact;
  readonly total: Exact;
}

/** Where the straight line between two points meets the target. */
function crossingOf(below: Point, above: Point, target: Exact): Exact {
  const rise = subtract(above.total, below.total);
  const share = rise.n === 0n ? ratio(1n, 2n) : divide(subtract(target, below.total), rise);
  const crossing = add(below.percent, multiply(subtract(above.percent, below.percent), share));
  return compare(crossing, below.percent) <= 0 ? multiply(add(below.percent, above.percent), ratio(1n, 2n)) : crossing;
}

/** Whether a grain less no longer reaches the target. */
function isLeast(plan: CoursePlan, source: ItemSource, percent: Exact, target: Exact): boolean {
  const before = totalAt(plan, source, subtract(percent, GRAIN));
  return before !== null && compare(before, target) < 0;
}

function roundedUp(percent: Exact): Exact {
  const grains = divide(percent, GRAIN);
  return multiply(whole((grains.n + grains.d - 1n) / grains.d), GRAIN);
}
