import { add, compare, divide, HUNDRED, multiply, ratio, whole, ZERO, type Exact } from "#core/kernel";
import type { Category } from "#core/model";
import { dropFromPool, dropLowestPercents, staying } from "./drops";

/** How open work comes out: 0, not counted, or full. */
export type Outlook = "lowest" | "now" | "highest";

/** One item of a category: an assignment, or a category inside it. Figures in points. */
export interface Item {
  /** The id of the assignment or the inner category. */
  readonly id: string;
  readonly points: Exact;
  /** Its counted value; null while nothing counts yet. */
  readonly value: Exact | null;
  readonly bonus: boolean;
  readonly alwaysCounts: boolean;
  readonly standing: "open" | "counts" | "excused" | "missing" | "wordsOnly" | "notCounted";
}

/** An item as it entered a total. */
export interface Part {
  readonly item: Item;
  readonly value: Exact;
  /** The value is assumed, because the item is open. */
  readonly assumed: boolean;
}

/** Why an item did not enter its category. */
export type LeftOutReason = "excused" | "dropped" | "nothingYet" | "notCounted" | "wordsOnly" | "noEffect";

/** A category's figure, and how it came about. */
export interface CategoryTotal {
  /** Null while nothing counts. May pass 100 with bonus. */
  readonly percent: Exact | null;
  /** Points that enter a course of straight points: percent of `possible`, or bonus alone. */
  readonly earned: Exact;
  /** Maxima of the items that stay. */
  readonly possible: Exact;
  readonly kept: readonly Part[];
  readonly bonus: readonly Part[];
  readonly leftOut: readonly { readonly item: Item; readonly why: LeftOutReason; readonly value: Exact | null }[];
}

type Rule = Pick<Category, "method" | "keep">;

/** Work whose points are pure gain. Work of 0 points can only be that (reference drop.edge). */
export const isGain = (item: Pick<Item, "bonus" | "points">): boolean => item.bonus || item.points.n === 0n;

/**
 * The total of one category over its items, which come in order of their due dates (handbook, section 4). Pooled: sum of
 * values over sum of maxima; mean, median and best of the percentages. Bonus: in the pooled numerator, else its points
 * as percentage points. Dropped is the set whose absence gives the highest percentage.
 */
export function categoryTotal(rule: Rule, items: readonly Item[], outlook: Outlook): CategoryTotal {
  const leftOut: { item: Item; why: LeftOutReason; value: Exact | null }[] = [];
  const ordinary: Part[] = [];
  const bonus: Part[] = [];
  for (const item of items) {
    const why = reasonToLeave(item, outlook);
    if (why) {
      leftOut.push({ item, why, value: item.value });
      continue;
    }
    const part = { item, value: item.value ?? openValue(item, outlook), assumed: item.value === null };
    (isGain(item) ? bonus : ordinary).push(part);
  }
  const gain = bonus.reduce((total, part) => add(total, part.value), ZERO);
  const dropped = droppedOf(rule, ordinary, gain);
  for (const part of dropped) leftOut.push({ item: part.item, why: "dropped", value: part.value });
  const kept = ordinary.filter((part) => !dropped.has(part));
  const possible = kept.reduce((total, { item }) => add(total, item.points), ZERO);
  const percent = kept.length === 0 ? null : percentOf(rule.method, kept, possible, gain);
  const earned = percent ? divide(multiply(percent, possible), HUNDRED) : gain;
  return { percent, earned, possible, kept, bonus, leftOut };
}

function reasonToLeave(item: Item, outlook: Outlook): LeftOutReason | null {
  if (item.standing === "excused" || item.standing === "wordsOnly" || item.standing === "notCounted") {
    return item.standing;
  }
  if (isGain(item) && item.standing === "missing") return "noEffect";
  return item.value === null && outlook === "now" ? "nothingYet" : null;
}

const openValue = (item: Item, outlook: Outlook): Exact => (outlook === "highest" ? item.points : ZERO);

function droppedOf(rule: Rule, ordinary: readonly Part[], gain: Exact): ReadonlySet<Part> {
  if (rule.keep.kind === "all") return new Set();
  const candidates = ordinary.filter(({ item }) => !item.alwaysCounts);
  const fixed = ordinary.filter(({ item }) => item.alwaysCounts);
  const stay = staying(rule.keep, candidates.length, fixed.length);
  const droppables = candidates.map(({ item, value }) => ({ points: item.points, value }));
  const beside = {
    earned: fixed.reduce((total, { value }) => add(total, value), gain),
    possible: fixed.reduce((total, { item }) => add(total, item.points), ZERO),
  };
  const indexes =
    rule.method === "pooled" ? dropFromPool(droppables, stay, beside) : dropLowestPercents(droppables, stay);
  return new Set(candidates.filter((_, index) => indexes.has(index)));
}

function percentOf(method: Category["method"], kept: readonly Part[], possible: Exact, gain: Exact): Exact {
  if (method === "pooled") {
    const earned = kept.reduce((total, { value }) => add(total, value), gain);
    return divide(multiply(earned, HUNDRED), possible);
  }
  const percents = kept.map(({ item, value }) => divide(multiply(value, HUNDRED), item.points)).sort(compare);
  return add(middleOf(method, percents), gain);
}

/** The mean, the median or the best of percentages that are sorted upwards; there is at least one. */
function middleOf(method: "mean" | "median" | "best", percents: readonly Exact[]): Exact {
  const at = (index: number): Exact => percents[index] ?? ZERO;
  if (method === "mean") return divide(percents.reduce(add), whole(percents.length));
  if (method === "best") return at(percents.length - 1);
  const half = Math.floor(percents.length / 2);
  return percents.length % 2 === 1 ? at(half) : multiply(add(at(half - 1), at(half)), ratio(1n, 2n));
}
