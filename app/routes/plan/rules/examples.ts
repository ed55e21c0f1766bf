import { decimal, fromDecimal, pointsText, roundToText, type Instant } from "#core/kernel";
import type { Course } from "#core/model";
import { afterDeduction, deduction, unitsLate } from "#core/scoring";
import { letterOf, passes } from "#core/totals";
import { latenessWords } from "#core/words";
import { inMark } from "../../../ui/words/figures";

/** What a late rule does to one score of 41.5 of 50, for hand-ins of rising lateness. */
export interface LateStep {
  readonly handedIn: string;
  readonly late: string;
  readonly deduction: string;
  readonly counted: string;
}

const POINTS = decimal("50");
const SCORE = decimal("41.5");
const DUE = "2026-10-23T16:00:00Z" as Instant;
const MINUTE = 60_000;
const HANDED_IN: readonly (readonly [words: string, minutes: number])[] = [
  ["in time", -30],
  ["10 minutes after it was due", 10],
  ["5 hours after", 300],
  ["30 hours after", 1_800],
  ["3 days after", 4_320],
  ["20 days after", 28_800],
];

/** The worked example of the late rule, from the same functions that every score goes through. */
export function lateExample({ lateRule, timeZone }: Pick<Course, "lateRule" | "timeZone">): LateStep[] {
  return HANDED_IN.map(([handedIn, minutes]) => {
    const at = new Date(Date.parse(DUE) + minutes * MINUTE).toISOString() as Instant;
    const units = lateRule ? unitsLate(lateRule, timeZone, DUE, at) : 0;
    const [score, points] = [fromDecimal(SCORE), fromDecimal(POINTS)];
    return {
      handedIn,
      late: units === 0 ? "not late" : latenessWords(units, lateRule?.unitHours ?? 24),
      deduction: lateRule && units > 0 ? inMark(pointsText(deduction(lateRule, score, points, units))) : "0",
      counted: inMark(pointsText(lateRule ? afterDeduction(lateRule, score, points, units) : score)),
    };
  });
}

/** Totals around a bound and the letters they get: what rounding and the comparison do at a boundary. */
export function letterExample(
  course: Pick<Course, "letters" | "percentPlaces" | "lettersCompare" | "passMark">,
): { readonly exact: string; readonly shown: string; readonly letter: string; readonly passes: boolean }[] {
  const bound = course.letters[0]?.from ?? decimal("90");
  const near = [0, -1, -4, -6, -60].map((hundredths) => Number(bound) + hundredths / 100);
  return near.map((value) => {
    const exact = decimal(value.toFixed(2));
    const figure = fromDecimal(exact);
    return {
      exact,
      shown: inMark(roundToText(figure, course.percentPlaces)),
      letter: letterOf(course, figure) ?? "none",
      passes: passes(course, figure),
    };
  });
}
