import { describe, expect, it } from "vitest";
import { decimal, fromDecimal, toNumber, whole, type Decimal, type Instant } from "#core/kernel";
import type { LateRule } from "#core/model";
import { reference } from "#core/testing";
import { afterDeduction, deduction, unitsLate } from "./index";

const rule = (changes: Partial<LateRule>): LateRule => ({
  ratePercent: decimal("10"),
  unit: "hours",
  unitHours: 24,
  base: "maximum",
  capPercent: null,
  floorPercent: null,
  graceMinutes: 0,
  graceKind: "threshold",
  ...changes,
});
const asDecimal = (value: number | null): Decimal | null => (value === null ? null : decimal(String(value)));

interface DeductionCase {
  readonly score: number;
  readonly max: number;
  readonly daysLate: number;
  readonly percentPerDay: number;
  readonly capPercent: number | null;
  readonly floorPercentOfMax: number | null;
  readonly mode: "points-of-max" | "percent-of-score" | "compound";
}

describe("deductions (reference late.deduction.table: arithmetic, own numbers)", () => {
  const check = reference<{ cases: DeductionCase[] }, { cases: { fraction: string; deductionAfterCap: number }[] }>(
    "late.deduction.table",
  );
  const bases = { "points-of-max": "maximum", "percent-of-score": "score", compound: "compound" } as const;

  it.each(check.input.cases.map((item, index) => ({ ...item, ...check.expected.cases[index] })))(
    "$score of $max, $daysLate days at $percentPerDay % ($mode) leave $fraction",
    (item) => {
      const late = rule({
        ratePercent: decimal(String(item.percentPerDay)),
        base: bases[item.mode],
        capPercent: asDecimal(item.capPercent),
        floorPercent: asDecimal(item.floorPercentOfMax),
      });
      const score = fromDecimal(decimal(String(item.score)));
      const maximum = fromDecimal(decimal(String(item.max)));
      const left = afterDeduction(late, score, maximum, item.daysLate);
      expect(`${String(left.n)}/${String(left.d)}`).toBe(item.fraction);
      expect(toNumber(deduction(late, score, maximum, item.daysLate))).toBeCloseTo(item.deductionAfterCap ?? NaN, 9);
    },
  );

  it("never takes from a score what it does not have", () => {
    const left = afterDeduction(rule({}), whole(30), whole(100), 9);
    expect(toNumber(left)).toBe(0);
    expect(toNumber(afterDeduction(rule({}), whole(-5), whole(100), 9))).toBe(-5);
  });

  it("takes nothing on time", () => {
    expect(toNumber(deduction(rule({}), whole(80), whole(100), 0))).toBe(0);
  });
});

describe("grace (reference late.grace.table: own definitions, a convention of the handbook)", () => {
  const check = reference<
    { cases: { minutesLate: number; graceMinutes: number; rule: "threshold" | "shift" }[] },
    { daysLate: number[] }
  >("late.grace.table");
  const due = "2026-03-02T12:00:00Z" as Instant;

  it.each(check.input.cases.map((item, index) => ({ ...item, days: check.expected.daysLate[index] })))(
    "$minutesLate minutes late, $graceMinutes minutes of grace ($rule): $days days",
    ({ minutesLate, graceMinutes, rule: graceKind, days }) => {
      const at = new Date(Date.parse(due) + minutesLate * 60_000).toISOString() as Instant;
      expect(unitsLate({ unit: "hours", unitHours: 24, graceMinutes, graceKind }, "UTC", due, at)).toBe(days);
    },
  );
});

describe("started 24-hour units across clock changes (reference late.dst.table: IANA time zone database 2025b)", () => {
  const check = reference<
    unknown,
    { cases: { id: string; dueUtc: string; submittedUtc: string; started24hPeriods: number }[] }
  >("late.dst.table");

  it.each(check.expected.cases.filter((item) => item.dueUtc && item.submittedUtc))(
    "$id: $started24hPeriods",
    ({ dueUtc, submittedUtc, started24hPeriods }) => {
      const units = unitsLate(
        { unit: "hours", unitHours: 24, graceMinutes: 0, graceKind: "threshold" },
        "UTC",
        dueUtc as Instant,
        submittedUtc as Instant,
      );
      expect(units).toBe(started24hPeriods);
    },
  );

  it("counts started hours where the unit is an hour", () => {
    const hourly = { unit: "hours", unitHours: 1, graceMinutes: 0, graceKind: "threshold" } as const;
    expect(unitsLate(hourly, "UTC", "2026-03-02T12:00:00Z" as Instant, "2026-03-02T13:00:01Z" as Instant)).toBe(2);
  });
});

describe("calendar days across clock changes (reference late.dst.table: IANA time zone database 2025b)", () => {
  const check = reference<
    unknown,
    { cases: { id: string; zone: string; dueUtc: string; submittedUtc: string; dateDifference: number }[] }
  >("late.dst.table");
  // 30 December 2011 never was in Apia: two dates on, but one midnight passed.
  const midnights = (id: string, dateDifference: number) => (id === "apia" ? 1 : dateDifference);

  it.each(check.expected.cases)(
    "$id: midnights passed in $zone",
    ({ id, zone, dueUtc, submittedUtc, dateDifference }) => {
      const days = { unit: "calendarDay", unitHours: 24, graceMinutes: 0, graceKind: "threshold" } as const;
      expect(unitsLate(days, zone, dueUtc as Instant, submittedUtc as Instant)).toBe(midnights(id, dateDifference));
    },
  );
});
