import { checkNumbers, computed, notComputable, type Statistic } from "./computable";

/** Sum with the rounding errors carried along (Neumaier, A., 1974, ZAMM 54, 39-51). */
export const sumOf = (values: readonly number[]): number => sumWithout(values, -1);

/** The same sum without the value at one place. */
export function sumWithout(values: readonly number[], without: number): number {
  let total = 0;
  let carried = 0;
  for (let place = 0; place < values.length; place += 1) {
    const value = place === without ? 0 : (values[place] ?? 0);
    const next = total + value;
    carried += Math.abs(total) >= Math.abs(value) ? total - next + value : value - next + total;
    total = next;
  }
  return total + carried;
}

/**
 * How far apart sums of the same figures may lie, as a share of them: tenths and thirds are not exact in doubles, and a sum
 * of some tens of them is off by some of the last binary places. Entered figures differ by far more than this.
 */
const LEEWAY = 2 ** -46;

/** Whether a number is nothing beside the size of what it was worked out from. */
export const isNothingBeside = (value: number, size: number): boolean => Math.abs(value) <= LEEWAY * Math.abs(size);

/** Whether values do not vary: none differs from another by more than the working of doubles brings about. */
export function isConstant(values: readonly number[]): boolean {
  let [lowest, highest] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const value of values) {
    lowest = Math.min(lowest, value);
    highest = Math.max(highest, value);
  }
  return isNothingBeside(highest - lowest, Math.max(Math.abs(lowest), Math.abs(highest)));
}

/** Arithmetic mean, in the unit of the values. */
export function mean(values: readonly number[]): Statistic {
  const known = checkNumbers(values, 1);
  return known.ok ? computed(sumOf(values) / values.length) : known;
}

/** What variance and correlation of a list rest on; worked out once for a list that enters several of them. */
export interface Moments {
  readonly values: readonly number[];
  readonly mean: number;
  /** Sum of squared distances from the mean; 0 where the values do not vary. */
  readonly squares: number;
  readonly isConstant: boolean;
}

/** The moments of at least so many numbers, in two passes. */
export function momentsOf(values: readonly number[], least: number): Statistic<Moments> {
  const known = checkNumbers(values, least);
  if (!known.ok) return known;
  const centre = sumOf(values) / values.length;
  if (isConstant(values)) return computed({ values, mean: centre, squares: 0, isConstant: true });
  const distances = values.map((value) => value - centre);
  // The second term takes out what the rounding of the mean has left.
  const squares = sumOf(distances.map((distance) => distance * distance)) - sumOf(distances) ** 2 / values.length;
  return computed({ values, mean: centre, squares: Math.max(0, squares), isConstant: false });
}

/** Variance with divisor n - 1 ("sample") or n ("population"), in squared units. */
export function variance(values: readonly number[], kind: "sample" | "population"): Statistic {
  const found = momentsOf(values, kind === "sample" ? 2 : 1);
  return found.ok ? computed(found.value.squares / (kind === "sample" ? values.length - 1 : values.length)) : found;
}

/** Standard deviation, in the unit of the values. */
export function standardDeviation(values: readonly number[], kind: "sample" | "population"): Statistic {
  const found = variance(values, kind);
  return found.ok ? computed(Math.sqrt(found.value)) : found;
}

/**
 * Quantile of type 7 (Hyndman, R. J. & Fan, Y., 1996, The American Statistician 50, 361-365): straight lines between the
 * order statistics. `share` from 0 to 1. @throws RangeError when `share` is outside
 */
export function quantile(values: readonly number[], share: number): Statistic {
  if (!(share >= 0 && share <= 1)) throw new RangeError(`a share from 0 to 1, not ${String(share)}`);
  const known = checkNumbers(values, 1);
  if (!known.ok) return known;
  const sorted = [...values].sort((a, b) => a - b);
  const place = (sorted.length - 1) * share;
  const below = Math.floor(place);
  const [low, high] = [sorted[below] ?? 0, sorted[Math.min(below + 1, sorted.length - 1)] ?? 0];
  return computed(low + (place - below) * (high - low));
}

/** What a class of scores looks like, in the unit of the scores. */
export interface Description {
  readonly count: number;
  readonly mean: number;
  readonly median: number;
  /** Sample standard deviation; not computable for one value. */
  readonly deviation: Statistic;
  readonly lowest: number;
  readonly highest: number;
  readonly lowerQuartile: number;
  readonly upperQuartile: number;
}

/** Describes a list of scores; not computable for an empty one. */
export function describeScores(values: readonly number[]): Statistic<Description> {
  const [centre, middle] = [mean(values), quantile(values, 0.5)];
  const [lower, upper] = [quantile(values, 0.25), quantile(values, 0.75)];
  if (!centre.ok) return centre;
  if (!middle.ok || !lower.ok || !upper.ok) return notComputable({ code: "too_few", least: 1, given: 0 });
  return computed({
    count: values.length,
    mean: centre.value,
    median: middle.value,
    deviation: standardDeviation(values, "sample"),
    lowest: Math.min(...values),
    highest: Math.max(...values),
    lowerQuartile: lower.value,
    upperQuartile: upper.value,
  });
}

/** Pearson's correlation; not computable without variance on either side. */
export function correlation(a: readonly number[], b: readonly number[]): Statistic {
  if (a.length !== b.length) return notComputable({ code: "lengths_differ" });
  const [one, other] = [momentsOf(a, 2), momentsOf(b, 2)];
  if (!one.ok) return one;
  return other.ok ? correlationOf(one.value, other.value) : other;
}

/** Pearson's correlation of two lists of one length. */
export function correlationOf(a: Moments, b: Moments): Statistic {
  if (a.isConstant || b.isConstant) return notComputable({ code: "no_variance" });
  const products = sumOf(a.values.map((value, place) => (value - a.mean) * ((b.values[place] ?? 0) - b.mean)));
  const spread = Math.sqrt(a.squares * b.squares);
  return spread > 0 ? computed(Math.max(-1, Math.min(1, products / spread))) : notComputable({ code: "no_variance" });
}

/** Ranks from 1 with ties sharing their mean rank, lowest first. */
export function ranks(values: readonly number[]): number[] {
  const order = values.map((_, index) => index).sort((a, b) => (values[a] ?? 0) - (values[b] ?? 0));
  const found = new Array<number>(values.length).fill(0);
  for (let first = 0; first < order.length;) {
    let last = first;
    while (last + 1 < order.length && values[order[last + 1] ?? 0] === values[order[first] ?? 0]) last += 1;
    for (let place = first; place <= last; place += 1) found[order[place] ?? 0] = (first + last) / 2 + 1;
    first = last + 1;
  }
  return found;
}

/** Share of scores below a score, with half of the equal ones, in percent. */
export function percentileRank(values: readonly number[], score: number): Statistic {
  const known = checkNumbers(values, 1);
  if (!known.ok) return known;
  if (!Number.isFinite(score)) return notComputable({ code: "not_a_number" });
  const below = values.filter((value) => value < score).length;
  const equal = values.filter((value) => value === score).length;
  return computed((100 * (below + equal / 2)) / values.length);
}
