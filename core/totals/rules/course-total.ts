import { add, compare, divide, fromDecimal, HUNDRED, multiply, ZERO, type Decimal, type Exact } from "#core/kernel";
import type { Course } from "#core/model";
import type { CategoryTotal } from "./category-total";

/** A category as it stands in a term or course total. */
export interface CategoryShare {
  readonly category: { readonly id: string; readonly weight: Decimal | null; readonly bonus: boolean };
  readonly total: CategoryTotal;
}

/** Why a category did not enter its term. */
export type ShareLeftOut = "empty" | "noWeight" | "noEffect";

/** The total of a term, or of a course without terms. */
export interface TermTotal {
  readonly percent: Exact | null;
  /** What entered, in the order given. `size` is the weight, or the points possible. */
  readonly shares: readonly (CategoryShare & { readonly size: Exact; readonly percent: Exact | null })[];
  readonly leftOut: readonly (CategoryShare & { readonly why: ShareLeftOut })[];
  /** Sum of the sizes in the denominator. */
  readonly sizes: Exact;
}

type Rules = Pick<Course, "totals" | "emptyCategories">;

/**
 * Weighted: `sum(w x pct) / sum(w)` over the categories with anything counted, or over all with empty ones as 0; weights
 * that do not add up to 100 are brought there by the division. Straight points: all values over all maxima. A bonus
 * category adds to the numerator only. While nothing but bonus counts anywhere there is no total, also where empty
 * categories count 0: a term that has not begun is no 0 % (handbook, section 5).
 */
export function termTotal(rules: Rules, shares: readonly CategoryShare[]): TermTotal {
  const isBegun = shares.some(
    ({ category, total }) => !category.bonus && category.weight !== null && total.percent !== null,
  );
  if (rules.emptyCategories === "zero" && !isBegun) return termTotal({ ...rules, emptyCategories: "leftOut" }, shares);
  const entered: TermTotal["shares"][number][] = [];
  const leftOut: TermTotal["leftOut"][number][] = [];
  let earned = ZERO;
  let sizes = ZERO;
  for (const share of shares) {
    const { category, total } = share;
    const why = reasonToLeave(rules, share);
    if (why) {
      leftOut.push({ category, total, why });
      continue;
    }
    const size = rules.totals === "points" ? total.possible : fromDecimal(category.weight ?? ("0" as Decimal));
    const percent = total.percent ?? (rules.totals === "points" ? null : ZERO);
    entered.push({ category, total, size, percent });
    earned = add(earned, rules.totals === "points" ? total.earned : divide(multiply(size, percent ?? ZERO), HUNDRED));
    if (!category.bonus) sizes = add(sizes, size);
  }
  const percent = sizes.n > 0n ? divide(multiply(earned, HUNDRED), sizes) : null;
  return { percent, shares: entered, leftOut, sizes };
}

function reasonToLeave(rules: Rules, { category, total }: CategoryShare): ShareLeftOut | null {
  if (rules.totals === "points") {
    return total.percent === null && total.earned.n === 0n ? "empty" : null;
  }
  if (category.weight === null) return "noWeight";
  if (total.percent !== null) return null;
  if (category.bonus) return "noEffect";
  return rules.emptyCategories === "zero" ? null : "empty";
}

/** A term as it stands in the course total, or an exam category that stands as a term. */
export interface TermShare {
  readonly id: string;
  readonly weight: Decimal;
  readonly percent: Exact | null;
}

/** The course total over terms: weighted over those with anything counted; null while none has. */
export function overTerms(terms: readonly TermShare[]): Exact | null {
  const counted = terms.filter((term) => term.percent !== null);
  const weights = counted.reduce((total, { weight }) => add(total, fromDecimal(weight)), ZERO);
  if (weights.n <= 0n) return null;
  const sum = counted.reduce(
    (total, { weight, percent }) => add(total, multiply(fromDecimal(weight), percent ?? ZERO)),
    ZERO,
  );
  return divide(sum, weights);
}

/** The total as the course's cap leaves it. */
export const capped = (course: Pick<Course, "capAtHundred">, percent: Exact | null): Exact | null =>
  percent && course.capAtHundred && compare(percent, HUNDRED) > 0 ? HUNDRED : percent;
