import { compare, fractionText, type Exact } from "./exact";

/** A stretch of exact numbers; each end belongs to it or not. */
export interface Interval {
  readonly low: Exact;
  readonly lowIncluded: boolean;
  readonly high: Exact;
  readonly highIncluded: boolean;
}

/** The stretch from `low` to `high`, both ends included. */
export const closed = (low: Exact, high: Exact): Interval => ({ low, lowIncluded: true, high, highIncluded: true });

/** Nothing lies in it. */
export function isEmpty({ low, lowIncluded, high, highIncluded }: Interval): boolean {
  const order = compare(low, high);
  return order > 0 || (order === 0 && !(lowIncluded && highIncluded));
}

/** What lies in both; may be empty. */
export function meet(a: Interval, b: Interval): Interval {
  const lows = compare(a.low, b.low);
  const highs = compare(a.high, b.high);
  return {
    low: lows >= 0 ? a.low : b.low,
    lowIncluded: lows === 0 ? a.lowIncluded && b.lowIncluded : lows > 0 ? a.lowIncluded : b.lowIncluded,
    high: highs <= 0 ? a.high : b.high,
    highIncluded: highs === 0 ? a.highIncluded && b.highIncluded : highs < 0 ? a.highIncluded : b.highIncluded,
  };
}

/** Whether a value lies in an interval. */
export const contains = (interval: Interval, value: Exact): boolean => !isEmpty(meet(interval, closed(value, value)));

/** Whether two intervals are the same, ends included. */
export const sameInterval = (a: Interval, b: Interval): boolean =>
  compare(a.low, b.low) === 0 &&
  compare(a.high, b.high) === 0 &&
  a.lowIncluded === b.lowIncluded &&
  a.highIncluded === b.highIncluded;

/** An interval as text: the same for the same one. */
export const intervalText = ({ low, lowIncluded, high, highIncluded }: Interval): string =>
  [fractionText(low), lowIncluded, fractionText(high), highIncluded].join(" ");
