import { compare, fromDecimal, multiply, ratio, rounded, subtract, type Decimal, type Exact } from "#core/kernel";
import type { Band, Course } from "#core/model";

type Rules = Pick<Course, "percentPlaces" | "lettersCompare">;

/** Whether a total reaches a bound: compared as displayed (*default*), or exactly (handbook, section 6). */
export function reaches(rules: Rules, percent: Exact, bound: Decimal): boolean {
  const compared = rules.lettersCompare === "displayed" ? rounded(percent, rules.percentPlaces) : percent;
  return compare(compared, fromDecimal(bound)) >= 0;
}

/** The lowest exact total, in percent, that reaches a bound; half a last place below it where figures are displayed first. */
export function leastReaching(rules: Rules, bound: Decimal): Exact {
  const exact = fromDecimal(bound);
  if (rules.lettersCompare === "exact") return exact;
  const halfPlace = ratio(1n, 2n * 10n ** BigInt(rules.percentPlaces));
  // A bound finer than what is displayed is reached by the next displayed figure.
  const scale = 10n ** BigInt(rules.percentPlaces);
  const steps = multiply(exact, ratio(scale, 1n));
  const displayed = ratio((steps.n + steps.d - 1n) / steps.d, scale);
  return subtract(displayed, halfPlace);
}

/** Bands from the highest to the lowest. */
export const bandsFromTop = (letters: readonly Band[]): readonly Band[] =>
  [...letters].sort((a, b) => compare(fromDecimal(b.from), fromDecimal(a.from)));

/** The letter of a percentage; null when no band reaches down to it. */
export function letterOf(course: Rules & Pick<Course, "letters">, percent: Exact): string | null {
  return bandsFromTop(course.letters).find(({ from }) => reaches(course, percent, from))?.letter ?? null;
}

/** Whether a total passes. */
export const passes = (course: Rules & Pick<Course, "passMark">, percent: Exact): boolean =>
  reaches(course, percent, course.passMark);

/** The first letter whose bound does not lie below the one before it; null where the scale falls as it should. */
export function letterOutOfOrder(letters: readonly Band[]): string | null {
  const found = letters.find(({ from }, index) => {
    const before = letters[index - 1];
    return before !== undefined && compare(fromDecimal(from), fromDecimal(before.from)) >= 0;
  });
  return found?.letter ?? null;
}
