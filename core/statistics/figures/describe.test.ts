import * as simple from "simple-statistics";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import {
  binCount,
  binWidth,
  correlation,
  describeScores,
  histogram,
  mean,
  percentileRank,
  quantile,
  ranks,
  standardDeviation,
  variance,
  type Statistic,
} from "../index";

const value = (statistic: Statistic): number | null => (statistic.ok ? statistic.value : null);

describe("certified means and standard deviations (NIST Statistical Reference Datasets, univariate)", () => {
  interface Data {
    readonly values?: number[];
    readonly first?: number;
    readonly then?: number[];
    readonly timesAlternating?: number;
  }
  interface Certified {
    readonly mean: number;
    readonly sd: number;
  }
  it.each([
    ["NumAcc1", 1e-14],
    ["NumAcc2", 1e-13],
    ["NumAcc3", 1e-9],
    ["NumAcc4", 1e-8],
    ["Lew", 1e-13],
  ])("%s within the tolerance the reference gives for doubles", (name, tolerance) => {
    const { input, expected } = reference<Data, Certified>(`desc.strd.${name}`);
    const alternating = Array.from({ length: input.timesAlternating ?? 0 }, () => input.then ?? []).flat();
    const values = input.values ?? [input.first ?? 0, ...alternating];
    const [centre, deviation] = [value(mean(values)) ?? 0, value(standardDeviation(values, "sample")) ?? 0];
    expect(Math.abs(centre / expected.mean - 1)).toBeLessThanOrEqual(1e-13);
    expect(Math.abs(deviation / expected.sd - 1)).toBeLessThanOrEqual(tolerance);
  });
});

describe("quantiles of type 7 (Hyndman & Fan 1996)", () => {
  it.each(["scores4", "five", "scores8", "scores11"])("%s at nine shares", (name) => {
    const { input, expected } = reference<{ x: number[] }, { p: number[]; type7: number[] }>(`desc.quantiles.${name}`);
    expected.p.forEach((share, index) => {
      expect(value(quantile(input.x, share))).toBeCloseTo(expected.type7[index] ?? 0, 9);
    });
  });

  it("is 95.19568 for the gauge readings, where type 6 is 95.19807 (NIST/SEMATECH e-Handbook 7.2.6.2)", () => {
    const { input, expected } = reference<{ x: number[]; p: number }, { type7: number }>("desc.quantile.nist-handbook");
    expect(value(quantile(input.x, input.p))).toBeCloseTo(expected.type7, 9);
  });

  it("a share outside 0 to 1 is a programmer's error", () => {
    expect(() => quantile([1], 1.5)).toThrow(RangeError);
    expect(() => quantile([1], Number.NaN)).toThrow(RangeError);
  });
});

describe("a description of scores (desc.summary: Joanes & Gill 1998 and R)", () => {
  interface Summary {
    readonly n: number;
    readonly mean: number;
    readonly median: number;
    readonly sdSample: number | null;
    readonly sdPopulation: number;
    readonly iqrType7: number;
  }
  it.each(["scores8", "scores11", "morley", "precip", "attitude_rating", "two", "one"])("%s", (name) => {
    const { input, expected } = reference<{ x: number[] }, Summary>(`desc.summary.${name}`);
    const found = describeScores(input.x);
    if (!found.ok) throw new Error("not described");
    expect(found.value.count).toBe(expected.n);
    expect(found.value.mean).toBeCloseTo(expected.mean, 9);
    expect(found.value.median).toBeCloseTo(expected.median, 9);
    expect(found.value.upperQuartile - found.value.lowerQuartile).toBeCloseTo(expected.iqrType7, 9);
    expect([found.value.lowest, found.value.highest]).toEqual([Math.min(...input.x), Math.max(...input.x)]);
    expect(value(standardDeviation(input.x, "population"))).toBeCloseTo(expected.sdPopulation, 9);
    if (expected.sdSample === null)
      expect(found.value.deviation).toMatchObject({ issue: { code: "too_few", least: 2 } });
    else expect(value(found.value.deviation)).toBeCloseTo(expected.sdSample, 9);
  });

  it("of nothing, or of something that is no number, is not computable, with the reason", () => {
    expect(describeScores([])).toEqual({ ok: false, issue: { code: "too_few", least: 1, given: 0 } });
    expect(mean([1, Number.NaN])).toEqual({ ok: false, issue: { code: "not_a_number" } });
    expect(variance([Number.POSITIVE_INFINITY, 1], "sample").ok).toBe(false);
  });

  it("agrees with simple-statistics 7.12, a general-purpose library", () => {
    const list = fc.array(fc.integer({ min: -500, max: 500 }), { minLength: 2, maxLength: 40 });
    fc.assert(
      fc.property(list, fc.integer({ min: 0, max: 99 }), (values, share) => {
        expect(value(mean(values))).toBeCloseTo(simple.mean(values), 9);
        expect(value(quantile(values, 0.5))).toBeCloseTo(simple.median(values), 9);
        expect(value(variance(values, "sample"))).toBeCloseTo(simple.sampleVariance(values), 6);
        const spread = quantile(values, share / 100);
        expect(spread.ok && spread.value >= Math.min(...values) && spread.value <= Math.max(...values)).toBe(true);
      }),
    );
  });
});

describe("correlation", () => {
  it("of Anscombe's four sets by value and by rank (Anscombe 1973, The American Statistician 27)", () => {
    const { input, expected } = reference<
      { x123: number[]; x4: number[]; y: number[][] },
      { pearson: number[]; spearman: number[] }
    >("data.anscombe");
    input.y.forEach((y, index) => {
      const x = index === 3 ? input.x4 : input.x123;
      expect(value(correlation(x, y))).toBeCloseTo(expected.pearson[index] ?? 0, 9);
      expect(value(correlation(ranks(x), ranks(y)))).toBeCloseTo(expected.spearman[index] ?? 0, 9);
    });
  });

  it("of sums that are equal but for the last binary place is not computable", () => {
    expect(correlation([0.1 + 0.2, 0.3, 0.3], [1, 2, 3])).toEqual({ ok: false, issue: { code: "no_variance" } });
    expect(correlation([0.3, 0.3001, 0.3], [1, 2, 3]).ok).toBe(true);
  });

  it("without variance, or over lists of different lengths, is not computable", () => {
    expect(correlation([1, 1, 1], [1, 2, 3])).toEqual({ ok: false, issue: { code: "no_variance" } });
    expect(correlation([1, 2], [1])).toEqual({ ok: false, issue: { code: "lengths_differ" } });
  });
});

describe("ranks", () => {
  it("share the mean of their places where scores tie (reference rank.conventions: scipy.stats.rankdata)", () => {
    const { input, expected } = reference<{ scores: number[] }, { average: number[] }>("rank.conventions");
    // The reference ranks the highest first.
    expect(ranks(input.scores.map((score) => -score))).toEqual(expected.average);
  });

  it("as percentile ranks of what is no score are none", () => {
    expect(percentileRank([1, 2], Number.NaN)).toEqual({ ok: false, issue: { code: "not_a_number" } });
    expect(percentileRank([], 1)).toMatchObject({ issue: { code: "too_few" } });
  });

  it("as percentile ranks count half of the equal ones (reference curve.percentile-rank)", () => {
    const { input, expected } = reference<
      { scores: number[]; docs: { data: number[]; score: number }[] },
      { midrank: number[]; docs: { rank: number; mean?: number }[] }
    >("curve.percentile-rank");
    expect(input.scores.map((score) => value(percentileRank(input.scores, score)))).toEqual(expected.midrank);
    const second = input.docs[1];
    expect(second && value(percentileRank(second.data, second.score))).toBe(expected.docs[1]?.mean);
  });
});

describe("histograms (Sturges 1926, Scott 1979, Freedman & Diaconis 1981)", () => {
  interface Case {
    readonly data: string;
    readonly sturges: number;
    readonly scottBins_exact: number;
    readonly scottWidth_exact: number;
    readonly fdBins: number;
    readonly fdWidth: number;
  }
  const { expected } = reference<unknown, { cases: Case[] }>("desc.histogram.rules");
  // The lengths of rivers are not part of the reference file.
  it.each(expected.cases.filter(({ data }) => data !== "desc.summary.rivers"))("$data", (one) => {
    const { x } = reference<{ x: number[] }, unknown>(one.data).input;
    expect(binCount(x, "sturges")).toBe(one.sturges);
    expect(binCount(x, "scott")).toBe(one.scottBins_exact);
    expect(binWidth(x, "scott")).toBeCloseTo(one.scottWidth_exact, 9);
    expect(binCount(x, "freedmanDiaconis")).toBe(one.fdBins);
    expect(binWidth(x, "freedmanDiaconis")).toBeCloseTo(one.fdWidth, 9);
  });

  it("have one bar without spread and none without values (reference desc.histogram.edge)", () => {
    const { input, expected: bars } = reference<{ cases: number[][] }, { bins: number[] }>("desc.histogram.edge");
    for (const rule of ["sturges", "scott", "freedmanDiaconis"] as const) {
      expect(input.cases.map((values) => binCount(values, rule))).toEqual(bars.bins);
    }
    expect(binCount([1, 1, 1, 1, 1, 9], "freedmanDiaconis")).toBe(1);
  });

  it("count every value once, the highest in the last bar", () => {
    expect(histogram([0, 4.9, 5, 10, 12, -1], 0, 10, 2).map(({ count }) => count)).toEqual([3, 3]);
    expect(histogram([5, 5], 5, 5, 1)).toEqual([{ from: 5, to: 5, count: 2 }]);
  });
});
