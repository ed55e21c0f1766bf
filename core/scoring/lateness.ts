import {
  divide,
  fromDecimal,
  HUNDRED,
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

/** Started units of lateness of work handed in at `handedInAt`; 0 when on time or inside the grace. */
export function unitsLate(
  rule: Pick<LateRule, "unitHours" | "graceMinutes" | "graceKind">,
  dueAt: Instant,
  handedInAt: Instant,
): number {
  const late = milliseconds(handedInAt) - milliseconds(dueAt);
  const grace = rule.graceMinutes * MINUTE;
  if (late <= grace || late <= 0) return 0;
  const counted = rule.graceKind === "shift" ? late - grace : late;
  return Math.ceil(counted / (rule.unitHours * HOUR));
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
