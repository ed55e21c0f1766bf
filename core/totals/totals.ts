import {
  add,
  compare,
  divide,
  fromDecimal,
  HUNDRED,
  isZero,
  multiply,
  rounded,
  ZERO,
  type CategoryId,
  type Exact,
} from "#core/kernel";
import type { Assignment, Category, Course } from "#core/model";
import type { Figure } from "./figure";

/** How open work comes out: 0, not counted, or full. */
export type Outlook = "lowest" | "now" | "highest";

/** One assignment of a student as it enters a total. */
export interface Part {
  readonly assignment: Pick<Assignment, "id" | "points" | "bonus">;
  readonly figure: Pick<Figure, "standing" | "counted">;
}

/** A category's pooled points. `percent` is null while nothing counts. */
export interface Pool {
  readonly earned: Exact;
  readonly possible: Exact;
  readonly percent: Exact | null;
}

/** Pools the parts of one category: sum of values over sum of maxima, bonus in the numerator only (section 4). */
export function poolParts(parts: readonly Part[], outlook: Outlook): Pool {
  let earned = ZERO;
  let possible = ZERO;
  for (const { assignment, figure } of parts) {
    if (figure.standing === "excused") continue;
    const maximum = fromDecimal(assignment.points);
    const value = figure.counted ?? openValue(maximum, outlook);
    if (value === null) continue;
    earned = add(earned, value);
    if (!assignment.bonus) possible = add(possible, maximum);
  }
  return { earned, possible, percent: isZero(possible) ? null : divide(multiply(earned, HUNDRED), possible) };
}

function openValue(maximum: Exact, outlook: Outlook): Exact | null {
  if (outlook === "now") return null;
  return outlook === "lowest" ? ZERO : maximum;
}

/**
 * The course total in percent, or null while nothing counts. Weighted: over the categories that have anything counted,
 * their weights brought to 100. Straight points: all values over all maxima (section 5).
 */
export function courseTotal(
  course: Pick<Course, "totals">,
  categories: readonly Pick<Category, "id" | "weight">[],
  pools: ReadonlyMap<CategoryId, Pool>,
): Exact | null {
  let earned = ZERO;
  let possible = ZERO;
  for (const category of categories) {
    const pool = pools.get(category.id);
    if (!pool) continue;
    if (course.totals === "points") {
      earned = add(earned, pool.earned);
      possible = add(possible, pool.possible);
    } else if (pool.percent && category.weight !== null) {
      const weight = fromDecimal(category.weight);
      earned = add(earned, divide(multiply(weight, pool.percent), HUNDRED));
      possible = add(possible, weight);
    }
  }
  return isZero(possible) ? null : divide(multiply(earned, HUNDRED), possible);
}

/** The letter of a percentage, compared as displayed; null when no band reaches down to it. */
export function letterOf(course: Pick<Course, "letters" | "percentPlaces">, percent: Exact): string | null {
  const shown = rounded(percent, course.percentPlaces);
  const bands = [...course.letters].sort((a, b) => compare(fromDecimal(b.from), fromDecimal(a.from)));
  return bands.find((band) => compare(shown, fromDecimal(band.from)) >= 0)?.letter ?? null;
}
