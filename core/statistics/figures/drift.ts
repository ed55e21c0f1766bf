import { sumOf } from "./describe";

/** Papers at the beginning and at the end that are held against each other. */
export const SPAN = 10;

/** How the judging of one criterion has moved: means in the unit of the values. */
export interface Drift {
  readonly first: number;
  readonly last: number;
  /** Last less first; above zero where the judging grew milder. */
  readonly difference: number;
}

/**
 * The mean of the last ten values against the mean of the first ten, in the order they were given; null while there are
 * fewer than twenty, because then the two would overlap. Common practice, no source.
 */
export function driftOf(values: readonly number[]): Drift | null {
  if (values.length < 2 * SPAN) return null;
  const first = sumOf(values.slice(0, SPAN)) / SPAN;
  const last = sumOf(values.slice(-SPAN)) / SPAN;
  return { first, last, difference: last - first };
}
