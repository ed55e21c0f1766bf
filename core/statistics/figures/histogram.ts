import { checkNumbers } from "./computable";
import { quantile, standardDeviation } from "./describe";

/** One bar: values from `from` up to, and in the last bar including, `to`. */
export interface Bin {
  readonly from: number;
  readonly to: number;
  readonly count: number;
}

/** The rule for the number of bars. */
export type BinRule = "sturges" | "scott" | "freedmanDiaconis";

/**
 * How many bars: Sturges (1926) ceil(log2 n + 1); Scott (1979) width (24 sqrt(pi))^(1/3) s n^(-1/3); Freedman & Diaconis
 * (1981) width 2 IQR n^(-1/3), quartiles of type 7. One bar where nothing spreads, none where there is nothing.
 */
export function binCount(values: readonly number[], rule: BinRule): number {
  if (!checkNumbers(values, 1).ok) return 0;
  const count = values.length;
  const range = Math.max(...values) - Math.min(...values);
  if (range === 0) return 1;
  if (rule === "sturges") return Math.ceil(Math.log2(count) + 1);
  const width = binWidth(values, rule);
  return width > 0 ? Math.ceil(range / width) : 1;
}

/** Width of a bar by Scott's or Freedman and Diaconis's rule, in the unit of the values; 0 without spread. */
export function binWidth(values: readonly number[], rule: Exclude<BinRule, "sturges">): number {
  const root = Math.cbrt(values.length);
  if (rule === "scott") {
    const deviation = standardDeviation(values, "sample");
    return deviation.ok ? (Math.cbrt(24 * Math.sqrt(Math.PI)) * deviation.value) / root : 0;
  }
  const [lower, upper] = [quantile(values, 0.25), quantile(values, 0.75)];
  return lower.ok && upper.ok ? (2 * (upper.value - lower.value)) / root : 0;
}

/** Counts values into bars of equal width between `from` and `to`; values outside go to the first or the last bar. */
export function histogram(values: readonly number[], from: number, to: number, bars: number): Bin[] {
  const width = (to - from) / bars;
  const counts = new Array<number>(bars).fill(0);
  for (const value of values) {
    const place = width > 0 ? Math.floor((value - from) / width) : 0;
    const bar = Math.min(bars - 1, Math.max(0, place));
    counts[bar] = (counts[bar] ?? 0) + 1;
  }
  return counts.map((count, index) => ({ from: from + index * width, to: from + (index + 1) * width, count }));
}
