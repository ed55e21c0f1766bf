import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decimal, ratio, type Exact } from "#core/kernel";
import { CATEGORY_DEFAULTS, studentsOf, type CourseState } from "#core/model";
import { anyCourse, runs } from "#core/testing";
import { categoryTotal, CELL, computeCourse, figuresOf, flatten, type FlatCourse } from "../index";

const fraction = (value: Exact | null) => value && `${String(value.n)}/${String(value.d)}`;

/** Any course without terms and without categories inside others. */
const anyFlatCourse = anyCourse().map((state): CourseState => ({
  ...state,
  terms: {},
  categories: Object.fromEntries(
    Object.entries(state.categories).map(([id, category]) => [id, { ...category, parentId: null }]),
  ),
}));

/** A flat course of equal columns in one category, for what no generator would meet. */
function flat(
  rows: readonly (readonly number[])[],
  points: readonly number[],
  more: Partial<FlatCourse> = {},
): FlatCourse {
  const cells = rows.flat();
  return {
    rules: {
      totals: "weighted",
      emptyCategories: "leftOut",
      capAtHundred: false,
      lateRule: null,
      missingPercent: null,
    },
    categories: [{ ...CATEGORY_DEFAULTS, weight: decimal("100") }],
    students: rows.length,
    assignments: points.length,
    points: Float64Array.from(points, (value) => Math.round(value * 10_000)),
    category: new Int32Array(points.length),
    flags: new Uint8Array(points.length).fill(2),
    kinds: new Uint8Array(cells.length).fill(CELL.score),
    values: Float64Array.from(cells, (value) => Math.round(value * 10_000)),
    unitsLate: new Uint16Array(cells.length),
    fractions: new Map(),
    ...more,
  };
}

describe("a whole course at once", () => {
  it("gives the same exact totals as the single figures, in any course", () => {
    fc.assert(
      fc.property(anyFlatCourse, (state) => {
        const flattened = flatten(state);
        if (!flattened) throw new Error("not flat");
        const totals = computeCourse(flattened.course);
        const { totals: single } = figuresOf(state);
        expect(totals.percents.map(fraction)).toEqual(studentsOf(state).map(({ id }) => fraction(single(id).now)));
        flattened.studentIds.forEach((id, row) => {
          [...single(id).categories.values()].forEach(({ percent }, column) => {
            const cell = row * flattened.course.categories.length + column;
            expect([totals.numerators[cell], totals.denominators[cell]]).toEqual(
              percent ? [Number(percent.n), Number(percent.d)] : [0, 0],
            );
          });
        });
      }),
      { numRuns: runs(300) },
    );
  });

  it("takes the short way for decimals and late days, also with dropping from unequal points", () => {
    const rules = {
      ...flat([], []).rules,
      lateRule: {
        ratePercent: decimal("12.5"),
        unit: "hours",
        unitHours: 24,
        base: "maximum",
        capPercent: null,
        floorPercent: null,
        graceMinutes: 0,
        graceKind: "threshold",
      },
    } as const;
    const late = Uint16Array.from([0, 0, 0, 0, 2]);
    const dropOne = [{ ...CATEGORY_DEFAULTS, keep: { kind: "dropLowest", count: 1 }, weight: decimal("100") }] as const;
    // Kane & Kane's kind of case: 50/60 47/100 8/20 29/80 and 15.25/25 less 2 x 12.5 % of 25, which leaves 9.
    const course = flat([[50, 47, 8, 29, 15.25]], [60, 100, 20, 80, 25], {
      rules,
      unitsLate: late,
      categories: dropOne,
    });
    const totals = computeCourse(course);
    expect(totals.longWay.size).toBe(0);
    expect(totals.percents.map(fraction)).toEqual(["2280/41"]);
  });

  it("goes the long way, with the same answer, where doubles would round", () => {
    const huge = 99_999_999.9999;
    const dropOne = [{ ...CATEGORY_DEFAULTS, keep: { kind: "dropLowest", count: 1 }, weight: decimal("100") }] as const;
    const course = flat([[huge, 1, 3.0003]], [huge, 7, 11], { categories: dropOne });
    const totals = computeCourse(course);
    expect(totals.longWay.size).toBe(1);
    // 6 points are lost with 1 of 7 and 7.9997 with 3.0003 of 11, so that one goes: (99,999,999.9999 + 1) / (99,999,999.9999 + 7).
    expect(fraction(totals.percents[0] ?? null)).toBe("100000000999900/1000000069999");
  });

  it("is exact for every method, also where the figures are far too large for doubles", () => {
    const size = fc.constantFrom(10, 997, 99_999_989, 99_999_999.9999, 3.0003, 0.0007);
    const work = fc.array(fc.tuple(size, fc.integer({ min: 0, max: 1_000 })), { minLength: 1, maxLength: 6 });
    const methods = fc.constantFrom("pooled", "mean", "median", "best");
    fc.assert(
      fc.property(work, methods, fc.nat(2), (list, method, drop) => {
        const points = list.map(([maximum]) => maximum);
        const scores = list.map(([maximum, share]) => Math.round(((maximum * share) / 1_000) * 10_000) / 10_000);
        const keep = drop === 0 ? { kind: "all" as const } : { kind: "dropLowest" as const, count: drop };
        const rule = { ...CATEGORY_DEFAULTS, method, keep, weight: decimal("100") };
        const totals = computeCourse(flat([scores], points, { categories: [rule] }));
        const exact = (value: number) => ratio(BigInt(Math.round(value * 10_000)), 10_000n);
        const items = points.map((maximum, index) => ({
          id: String(index),
          points: exact(maximum),
          value: exact(scores[index] ?? 0),
          bonus: false,
          alwaysCounts: false,
          standing: "counts" as const,
        }));
        const single = categoryTotal(rule, items, "now").percent;
        expect(fraction(totals.percents[0] ?? null)).toBe(fraction(single));
      }),
      { numRuns: runs(300) },
    );
  });

  it("computes a compound late rule the long way", () => {
    const lateRule = {
      ratePercent: decimal("10"),
      unit: "hours",
      unitHours: 24,
      base: "compound",
      capPercent: null,
      floorPercent: null,
      graceMinutes: 0,
      graceKind: "threshold",
    } as const;
    const course = flat([[18]], [25], { rules: { ...flat([], []).rules, lateRule }, unitsLate: Uint16Array.of(2) });
    const totals = computeCourse(course);
    expect([totals.longWay.size, fraction(totals.percents[0] ?? null)]).toEqual([1, "1458/25"]);
    // In time first, and late only by a later change: 18 of 25, and then as above.
    course.unitsLate[0] = 0;
    const inTime = computeCourse(course);
    expect([inTime.longWay.size, fraction(inTime.percents[0] ?? null)]).toEqual([0, "72/1"]);
    course.unitsLate[0] = 2;
    expect(fraction(computeCourse(course).percents[0] ?? null)).toBe("1458/25");
  });

  it("takes figures of four places, and a fraction, as they are", () => {
    const course = flat(
      [
        [1, 2, 3],
        [4, 5, 6],
      ],
      [10, 10, 10],
      { fractions: new Map([[2, ratio(10n, 3n)]]) },
    );
    course.values[1] = 25_001;
    const { percents, longWay } = computeCourse(course);
    // (1 + 2.5001 + 10/3) of 30, and 15 of 30 (by hand)
    expect(percents.map(fraction)).toEqual([fraction(ratio(205_003n, 9_000n)), "50/1"]);
    expect([...longWay]).toEqual([0]);
  });

  it("adds straight points, and bonus with nothing beside it, as the single figures do", () => {
    const rules = { ...flat([], []).rules, totals: "points" } as const;
    const two = [0, 1].map(() => ({ ...CATEGORY_DEFAULTS, weight: null }));
    const course = flat([[9, 60, 2]], [10, 100, 5], {
      rules,
      categories: two,
      category: Int32Array.of(0, 0, 1),
      flags: Uint8Array.of(2, 2, 3),
    });
    expect(fraction(computeCourse(course).percents[0] ?? null)).toBe("710/11");
  });

  it("does not flatten terms or categories inside others", () => {
    fc.assert(
      fc.property(anyCourse(), (state) => {
        const nested = Object.values(state.categories).some(({ parentId }) => parentId !== null);
        expect(flatten(state) === null).toBe(nested || Object.keys(state.terms).length > 0);
      }),
      { numRuns: runs(30) },
    );
  });
});
