import { fromDecimal, type Decimal } from "#core/kernel";
import { CELL, type FlatCourse } from "./flat-course";

/** A ten-thousandth of a point is the finest thing that can be entered. */
export const TEN_THOUSAND = 10_000;
/** Figures stay below this, so that sums and one product of two are exact in doubles. */
export const SAFE = 2 ** 53;

/**
 * The units in which every value of a flat course is a whole number, and small. `entered` divides what is entered in
 * ten-thousandths; `perPoint` units make a point, the shares of the late and missing rules included.
 */
export interface Units {
  readonly entered: number;
  readonly factor: number;
  readonly perPoint: number;
  /** Rules in hundredths of a percent-unit: share x `factor` is whole. Null where there is no such rule. */
  readonly rate: number;
  readonly cap: number | null;
  readonly floor: number | null;
  readonly missing: number | null;
}

/** Largest power of ten, up to 10,000, that divides every entered figure. */
function commonTens(figures: readonly Float64Array[]): number {
  let tens = TEN_THOUSAND;
  for (const list of figures) {
    for (const figure of list) while (tens > 1 && figure % tens !== 0) tens /= 10;
  }
  return tens;
}

/** The smallest power of ten that makes each percentage, as a share, whole. */
function factorFor(percents: readonly (Decimal | null)[]): number {
  let factor = 1;
  for (const percent of percents) {
    if (percent === null) continue;
    const { n, d } = fromDecimal(percent);
    while ((BigInt(factor) * n) % (100n * d) !== 0n) factor *= 10;
  }
  return factor;
}

/** Units for a course: fine enough for all that was entered and for the shares of its rules. */
export function unitsFor(course: FlatCourse): Units {
  const { lateRule, missingPercent } = course.rules;
  const entered = commonTens([course.points, course.values]);
  const factor = factorFor([
    lateRule?.ratePercent ?? null,
    lateRule?.capPercent ?? null,
    lateRule?.floorPercent ?? null,
    missingPercent,
  ]);
  const share = (percent: Decimal | null) => {
    if (percent === null) return null;
    const { n, d } = fromDecimal(percent);
    return Number((BigInt(factor) * n) / (100n * d));
  };
  return {
    entered,
    factor,
    perPoint: (TEN_THOUSAND / entered) * factor,
    rate: share(lateRule?.ratePercent ?? null) ?? 0,
    cap: share(lateRule?.capPercent ?? null),
    floor: share(lateRule?.floorPercent ?? null),
    missing: share(missingPercent),
  };
}

/** Whether no power of ten makes a cell's value whole: late work under a compounding rate. */
export const isCompounded = (course: FlatCourse, cell: number): boolean =>
  course.rules.lateRule?.base === "compound" && course.kinds[cell] === CELL.score && (course.unitsLate[cell] ?? 0) > 0;

/** The counted value of a cell in units; NaN while nothing counts (handbook, section 2). */
export function countedUnits(course: FlatCourse, units: Units, cell: number, points: number): number {
  const kind = course.kinds[cell];
  if (kind === CELL.missing) return units.missing === null ? Number.NaN : (points / units.entered) * units.missing;
  if (kind !== CELL.score && kind !== CELL.fixed) return Number.NaN;
  const score = ((course.values[cell] ?? 0) / units.entered) * units.factor;
  const late = course.unitsLate[cell] ?? 0;
  const rule = course.rules.lateRule;
  if (kind === CELL.fixed || late === 0 || !rule) return score;
  const maximum = points / units.entered;
  const base = rule.base === "maximum" ? maximum : score / units.factor;
  const full = base * units.rate * late;
  const taken = units.cap === null ? full : Math.min(full, base * units.cap);
  const least = units.floor === null ? 0 : maximum * units.floor;
  return Math.max(score - taken, Math.min(score, least));
}
