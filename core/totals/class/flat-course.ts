import type { Exact } from "#core/kernel";
import type { Category, Course } from "#core/model";

/** What a cell of a flat course holds. */
export const CELL = {
  /** Nothing yet. */
  open: 0,
  /** A score; the late rule applies to it. */
  score: 1,
  missing: 2,
  excused: 3,
  /** A value that no rule touches: set by hand, or computed elsewhere. */
  fixed: 4,
  /** Judged in words only. */
  words: 5,
} as const;

/**
 * A whole course as flat arrays, for computing all its totals at once. Categories are not nested and there are no terms.
 * Cells stand row by row: cell `student * assignments + assignment`.
 */
export interface FlatCourse {
  readonly rules: Pick<Course, "totals" | "emptyCategories" | "capAtHundred" | "lateRule" | "missingPercent">;
  readonly categories: readonly Pick<Category, "method" | "keep" | "weight" | "bonus">[];
  readonly students: number;
  /** Number of assignments; they come in order of their due dates. */
  readonly assignments: number;
  /** Maxima, in ten-thousandths of a point. */
  readonly points: Float64Array;
  /** Index of each assignment's category. */
  readonly category: Int32Array;
  /** Of each assignment: 1 bonus, 2 counts, 4 is never dropped. */
  readonly flags: Uint8Array;
  readonly kinds: Uint8Array;
  /** Scores and fixed values, in ten-thousandths of a point. */
  readonly values: Float64Array;
  readonly unitsLate: Uint16Array;
  /** Values that are no decimals of four places, such as a third of the points; they stand in for `values`. */
  readonly fractions: ReadonlyMap<number, Exact>;
}

/** Bits of an assignment's flags. */
export const FLAG = { bonus: 1, counts: 2, always: 4 } as const;

/** All totals of a flat course, in percent. */
export interface FlatTotals {
  /** The course total of each student; null while nothing counts. */
  readonly percents: (Exact | null)[];
  /** Category totals as numerator and denominator, reduced; the denominator is 0 where nothing counts. Row by row. */
  readonly numerators: Float64Array;
  readonly denominators: Float64Array;
  /** Maxima of what stays in each category, in units of the run; straight points are weighed by them. Row by row. */
  readonly possible: Float64Array;
  /** Students whose figures needed whole numbers beyond 2^53 and were worked out the long way. */
  readonly longWay: Set<number>;
}
