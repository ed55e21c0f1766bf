import { describe, expect, it } from "vitest";
import { required } from "#core/kernel";
import { reference } from "#core/testing";
import {
  cronbachAlpha,
  itemsTogether,
  itemStatistics,
  standardErrorOfMeasurement,
  sumOf,
  standardDeviation,
  type Statistic,
} from "../index";

const value = (statistic: Statistic): number => (statistic.ok ? statistic.value : Number.NaN);

interface Expected {
  readonly alpha: number;
  readonly totalSD: number;
  readonly sem: number;
  readonly itemMean: number[];
  readonly itemSD: number[];
  readonly itemRest: number[];
  readonly alphaIfDeleted: number[];
}

function checkItems(rows: readonly (readonly number[])[], maximum: number, expected: Expected): void {
  expect(value(cronbachAlpha(rows))).toBeCloseTo(expected.alpha, 9);
  const deviation = value(standardDeviation(rows.map(sumOf), "sample"));
  expect(deviation).toBeCloseTo(expected.totalSD, 9);
  expect(value(standardErrorOfMeasurement(deviation, expected.alpha))).toBeCloseTo(expected.sem, 9);
  const together = itemsTogether(rows);
  expect(together.alpha).toEqual(cronbachAlpha(rows));
  expect(value(together.deviation)).toBeCloseTo(expected.totalSD, 9);
  expected.itemMean.forEach((itemMean, index) => {
    const { difficulty, spread, itemRest } = itemStatistics(rows, index, maximum);
    expect(value(difficulty)).toBeCloseTo(itemMean / maximum, 9);
    expect(value(spread)).toBeCloseTo(expected.itemSD[index] ?? 0, 9);
    expect(value(itemRest)).toBeCloseTo(expected.itemRest[index] ?? 0, 9);
    const one = required(together.items[index], "item");
    expect(one.itemRest).toEqual(itemRest);
    expect(value(one.alphaWithout)).toBeCloseTo(expected.alphaIfDeleted[index] ?? 0, 9);
  });
}

describe("item statistics", () => {
  it("of seven percentages of thirty people (Chatterjee & Price 1977, data set attitude)", () => {
    const { input, expected } = reference<{ rows: number[][] }, Expected>("item.alpha.attitude");
    checkItems(input.rows, 100, expected);
  });

  const lsat = reference<{ patternCounts: Record<string, number> }, Expected & { upperLower27: { D: number[] } }>(
    "item.lsat6",
  );
  const examinees = Object.entries(lsat.input.patternCounts).flatMap(([pattern, count]) =>
    Array.from({ length: count }, () => [...pattern].map(Number)),
  );

  it("of five right or wrong items of a thousand examinees (Bock & Lieberman 1970, LSAT6)", () => {
    checkItems(examinees, 1, lsat.expected);
  });

  it("the upper and lower 27 % share those tied at the cut (LSAT6; Kelley 1939)", () => {
    lsat.expected.upperLower27.D.forEach((difference, index) => {
      expect(value(itemStatistics(examinees, index, 1).discrimination)).toBeCloseTo(difference, 9);
      expect(value(itemStatistics([...examinees].reverse(), index, 1).discrimination)).toBeCloseTo(difference, 9);
    });
  });

  it("the error of measurement, by arithmetic (reference item.sem.arithmetic)", () => {
    const { input, expected } = reference<{ sem: { sd: number; r: number }[] }, { sem: number[] }>(
      "item.sem.arithmetic",
    );
    input.sem.forEach(({ sd, r }, index) => {
      expect(value(standardErrorOfMeasurement(sd, r))).toBeCloseTo(expected.sem[index] ?? 0, 12);
    });
    expect(standardErrorOfMeasurement(10, 1.2)).toEqual({ ok: false, issue: { code: "not_a_number" } });
  });

  it("totals that are equal in tenths have no alpha, however their parts are added up", () => {
    const rows = [
      [0.1, 0.2, 0.4],
      [0.3, 0.3, 0.1],
      [0.2, 0.1, 0.4],
      [0.6, 0.1, 0],
    ];
    expect(cronbachAlpha(rows)).toEqual({ ok: false, issue: { code: "no_variance" } });
  });

  it("the error of measurement of what is no figure is none", () => {
    for (const [deviation, reliability] of [
      [1, Number.NaN],
      [Number.NaN, 0.5],
      [-1, 0.5],
      [1, 1.2],
    ] as const)
      expect(standardErrorOfMeasurement(deviation, reliability)).toEqual({
        ok: false,
        issue: { code: "not_a_number" },
      });
  });

  it("alpha below 0 stays below 0 (reference item.alpha.negative: -39/14)", () => {
    const { input, expected } = reference<{ rows: number[][] }, { alpha: number }>("item.alpha.negative");
    expect(value(cronbachAlpha(input.rows))).toBeCloseTo(expected.alpha, 12);
  });

  it("say why they have no value (reference item.edge: definitions)", () => {
    const constant = [
      [1, 0],
      [1, 1],
      [1, 2],
    ];
    expect(itemStatistics(constant, 0, 1).itemRest).toEqual({ ok: false, issue: { code: "no_variance" } });
    expect(value(itemStatistics(constant, 0, 1).difficulty)).toBe(1);
    const opposite = [
      [0, 2],
      [1, 1],
      [2, 0],
    ];
    expect(cronbachAlpha(opposite)).toEqual({ ok: false, issue: { code: "no_variance" } });
    expect(cronbachAlpha([[1], [2]])).toEqual({ ok: false, issue: { code: "too_few", least: 2, given: 1 } });
    const one = itemStatistics([[1, 2]], 0, 2);
    expect([one.spread.ok, one.itemRest.ok, one.discrimination.ok]).toEqual([false, false, false]);
    expect(cronbachAlpha([])).toMatchObject({ ok: false, issue: { code: "too_few" } });
    expect(itemStatistics(constant, 0, 0).difficulty).toMatchObject({ ok: false });
  });
});
