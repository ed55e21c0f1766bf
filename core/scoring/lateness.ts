import {
  divide,
  fromDecimal,
  HUNDRED,
  keptBy,
  larger,
  milliseconds,
  multiply,
  smaller,
  subtract,
  whole,
  ZERO,
  type Decimal,
  type Exact,
  type Instant,
} from "#core/kernel";
import type { LateRule } from "#core/model";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;

/** Shortest time between two midnights of one place, in hours: a day on which the clock is put forward. */
const SHORTEST_DAY = 22;

const calendarOf = keptBy({
  part: (timeZone: string) => timeZone,
  make: (_, timeZone) =>
    new Intl.DateTimeFormat("en-u-ca-iso8601", { timeZone, year: "numeric", month: "numeric", day: "numeric" }),
});

/** The local date of a moment, as a count of days. @throws RangeError when there is no such time zone */
function dayNumber(timeZone: string, moment: number): number {
  const parts = calendarOf(timeZone).formatToParts(moment);
  const part = (type: Intl.DateTimeFormatPartTypes) => Number(parts.find((item) => item.type === type)?.value);
  return Date.UTC(part("year"), part("month") - 1, part("day")) / (24 * HOUR);
}

/** Midnights of the time zone between two moments. A date that the zone left out passed no midnight of its own. */
function midnightsBetween(timeZone: string, from: number, to: number): number {
  const dates = dayNumber(timeZone, to) - dayNumber(timeZone, from);
  return Math.min(dates, Math.floor((to - from) / (SHORTEST_DAY * HOUR)) + 1);
}

/**
 * Started units of lateness of work handed in at `handedInAt`; 0 when on time or inside the grace. Calendar days are
 * the midnights of `timeZone` passed since the due time (handbook, section 2.4), so a day across a clock change is one.
 */
export function unitsLate(
  rule: Pick<LateRule, "unit" | "unitHours" | "graceMinutes" | "graceKind">,
  timeZone: string,
  dueAt: Instant,
  handedInAt: Instant,
): number {
  const due = milliseconds(dueAt);
  const at = milliseconds(handedInAt);
  const grace = rule.graceMinutes * MINUTE;
  if (at - due <= grace) return 0;
  const from = rule.graceKind === "shift" ? due + grace : due;
  if (rule.unit === "calendarDay") return midnightsBetween(timeZone, from, at);
  return Math.ceil((at - from) / (rule.unitHours * HOUR));
}

const percentOf = (percent: Decimal, base: Exact): Exact => divide(multiply(fromDecimal(percent), base), HUNDRED);

/** What the late rule takes off, before the floor; in points, never negative. */
export function deduction(rule: LateRule, score: Exact, maximum: Exact, units: number): Exact {
  if (units <= 0) return ZERO;
  const base = rule.base === "maximum" ? maximum : score;
  const full =
    rule.base === "compound"
      ? compounded(rule, score, units)
      : multiply(percentOf(rule.ratePercent, base), whole(units));
  return rule.capPercent === null ? full : smaller(full, percentOf(rule.capPercent, base));
}

function compounded(rule: LateRule, score: Exact, units: number): Exact {
  const kept = subtract(whole(1), divide(fromDecimal(rule.ratePercent), HUNDRED));
  let left = score;
  for (let unit = 0; unit < units; unit += 1) left = multiply(left, kept);
  return subtract(score, left);
}

/**
 * The value after the late rule: `max(r - D, min(r, floor x P))`, and never below 0 unless the score is
 * (handbook, section 2).
 */
export function afterDeduction(rule: LateRule, score: Exact, maximum: Exact, units: number): Exact {
  const left = subtract(score, deduction(rule, score, maximum, units));
  const floor = rule.floorPercent === null ? ZERO : percentOf(rule.floorPercent, maximum);
  return larger(left, smaller(score, floor));
}
