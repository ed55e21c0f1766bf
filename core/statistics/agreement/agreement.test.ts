import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import {
  agreementShare,
  crossTable,
  fleissKappa,
  gwetAc1,
  gwetOfTable,
  intraclassCorrelation,
  kappa,
  krippendorffAlpha,
  limitsOfAgreement,
  LINEAR,
  QUADRATIC,
  type Statistic,
} from "../index";

/** Tables that are printed with markers in rows, turned: papers in rows. */
const byPaper = <T>(byMarker: readonly (readonly T[])[]): T[][] =>
  (byMarker[0] ?? []).map((_, paper) => byMarker.map((marker) => marker[paper] as T));
const value = (statistic: Statistic): number => (statistic.ok ? statistic.value : Number.NaN);

describe("two markers", () => {
  interface Kappas {
    readonly kappa: number;
    readonly linearKappa: number;
    readonly quadraticKappa: number;
    readonly percentAgreement: number;
    readonly withinOne: number;
  }
  it.each([
    ["agree.kappa.cohen1960", "Cohen 1960, table 1"],
    ["agree.kappa.ms-winnipeg", "Westlund & Kurland 1953, in Landis & Koch 1977"],
    ["agree.kappa.visual-f", "Stuart 1953, unaided vision"],
  ])("%s: kappa plain, linear and quadratic, exact and adjacent agreement (%s)", (id) => {
    const { input, expected } = reference<{ table: number[][] }, Kappas>(id);
    expect(value(kappa(input.table))).toBeCloseTo(expected.kappa, 12);
    expect(value(kappa(input.table, LINEAR))).toBeCloseTo(expected.linearKappa, 12);
    expect(value(kappa(input.table, QUADRATIC))).toBeCloseTo(expected.quadraticKappa, 12);
    expect(value(agreementShare(input.table, 0))).toBeCloseTo(expected.percentAgreement, 12);
    expect(value(agreementShare(input.table, 1))).toBeCloseTo(expected.withinOne, 12);
  });

  it("with weights of one's own (Cohen 1968: 8/23)", () => {
    const { input, expected } = reference<
      { table: number[][]; disagreementWeights: number[][] },
      { weightedKappa: number }
    >("agree.kappa.weighted.cohen1968");
    const own = kappa(input.table, (row, column) => input.disagreementWeights[row]?.[column] ?? 0);
    expect(value(own)).toBeCloseTo(expected.weightedKappa, 12);
  });

  it("one of whom never uses a level (printed by a statistics package, in statsmodels 0.13.5)", () => {
    const { input, expected } = reference<{ table: number[][] }, { kappa: number; linear: { kappa: number } }>(
      "agree.kappa.stats-package-19",
    );
    expect(value(kappa(input.table))).toBeCloseTo(expected.kappa, 9);
    expect(value(kappa(input.table, LINEAR))).toBeCloseTo(expected.linear.kappa, 9);
  });

  it("over all declared levels, also one that nobody used (data set anxiety of R irr)", () => {
    const { input, expected } = reference<
      { marker2: number[]; marker3: number[] },
      { pair23_unweighted: number; pair23_linear_levelsByValue: number; pair23_quadratic_levelsByValue: number }
    >("agree.kappa.anxiety");
    const pairs = input.marker2.map((level, index): [number, number] => [level - 1, (input.marker3[index] ?? 1) - 1]);
    const table = crossTable(pairs, 6);
    expect(value(kappa(table))).toBeCloseTo(expected.pair23_unweighted, 9);
    expect(value(kappa(table, LINEAR))).toBeCloseTo(expected.pair23_linear_levelsByValue, 9);
    expect(value(kappa(table, QUADRATIC))).toBeCloseTo(expected.pair23_quadratic_levelsByValue, 9);
  });

  it("high agreement with low kappa (Feinstein & Cicchetti 1990), and Gwet's AC1 beside it", () => {
    const { input, expected } = reference<{ tables: number[][][] }, { kappa: number[]; ac1: number[] }>(
      "agree.kappa.paradox",
    );
    input.tables.forEach((table, index) => {
      expect(value(kappa(table))).toBeCloseTo(expected.kappa[index] ?? 0, 12);
      expect(value(gwetOfTable(table))).toBeCloseTo(expected.ac1[index] ?? 0, 12);
    });
  });

  it("who give one level only have no kappa, and it says so (reference agree.kappa.degenerate: definition)", () => {
    const { input, expected } = reference<{ cases: { table: number[][] }[] }, { kappa: (number | null)[] }>(
      "agree.kappa.degenerate",
    );
    input.cases.forEach(({ table }, index) => {
      const wanted = expected.kappa[index];
      const found = kappa(table);
      if (wanted === null) expect(found).toEqual({ ok: false, issue: { code: "one_category_only" } });
      else expect(value(found)).toBeCloseTo(wanted ?? Number.NaN, 12);
    });
    expect(kappa([[0]])).toMatchObject({ ok: false, issue: { code: "too_few" } });
    expect(agreementShare([], 0).ok).toBe(false);
    expect(gwetOfTable([[3]]).ok).toBe(false);
  });

  it("mean difference with limits of agreement (Bland & Altman 1986, peak flow)", () => {
    const { input, expected } = reference<
      { methodA_first: number[]; methodB_first: number[] },
      { mean: number; sd: number; limits196sd: number[] }
    >("agree.bland-altman1986");
    const found = limitsOfAgreement(input.methodA_first, input.methodB_first);
    if (!found.ok) throw new Error("no limits");
    expect(found.value.mean).toBeCloseTo(expected.mean, 9);
    expect(found.value.deviation).toBeCloseTo(expected.sd, 9);
    expect(found.value.lower).toBeCloseTo(expected.limits196sd[0] ?? 0, 9);
    expect(found.value.upper).toBeCloseTo(expected.limits196sd[1] ?? 0, 9);
    expect(limitsOfAgreement([1], [2])).toMatchObject({ ok: false, issue: { code: "too_few", least: 2 } });
    expect(limitsOfAgreement([1], [])).toMatchObject({ ok: false, issue: { code: "lengths_differ" } });
  });
});

describe("many markers", () => {
  it("Fleiss' kappa of thirty patients and six raters (Fleiss 1971, table 1: .430)", () => {
    const { input, expected } = reference<{ counts: number[][] }, { kappa: number }>("agree.fleiss.1971");
    expect(value(fleissKappa(input.counts))).toBeCloseTo(expected.kappa, 9);
  });

  it("Fleiss' kappa of tiny tables (Randolph 2005, in statsmodels), and where there is none", () => {
    const { expected } = reference<unknown, { cases: { counts: number[][]; fixedMarginal: number }[] }>(
      "agree.randolph.free-marginal",
    );
    for (const { counts, fixedMarginal } of expected.cases) {
      expect(value(fleissKappa(counts))).toBeCloseTo(fixedMarginal, 12);
    }
    expect(
      fleissKappa([
        [3, 0],
        [3, 0],
      ]),
    ).toEqual({ ok: false, issue: { code: "one_category_only" } });
    expect(
      fleissKappa([
        [3, 0],
        [1, 1],
      ]),
    ).toEqual({ ok: false, issue: { code: "lengths_differ" } });
    expect(fleissKappa([[1, 0]])).toMatchObject({ ok: false, issue: { code: "too_few" } });
    expect(fleissKappa([])).toMatchObject({ ok: false, issue: { code: "too_few" } });
  });

  it("Krippendorff's alpha with gaps: nominal, ordinal, interval (Krippendorff 2011, sections C and D)", () => {
    const { input, expected } = reference<
      { ratings: (number | null)[][] },
      { nominal: number; ordinal: number; interval: number }
    >("agree.alpha.krippendorff2011");
    for (const metric of ["nominal", "ordinal", "interval"] as const) {
      expect(value(krippendorffAlpha(byPaper(input.ratings), metric))).toBeCloseTo(expected[metric], 12);
    }
  });

  it("Krippendorff's alpha of two observers and of small cases (Krippendorff 2011, A and B)", () => {
    const two = reference<{ binary: number[][]; nominal: string[][] }, { binary: number; nominal: number }>(
      "agree.alpha.krippendorff2011-two",
    );
    expect(value(krippendorffAlpha(byPaper(two.input.binary), "nominal"))).toBeCloseTo(two.expected.binary, 12);
    const coded = two.input.nominal.map((row) => row.map((level) => level.charCodeAt(0)));
    expect(value(krippendorffAlpha(byPaper(coded), "nominal"))).toBeCloseTo(two.expected.nominal, 12);
    const tiny = reference<{ cases: (number | null)[][][] }, { decimals: number[] }>("agree.alpha.tiny");
    tiny.input.cases.forEach((ratings, index) => {
      expect(value(krippendorffAlpha(byPaper(ratings), "nominal"))).toBeCloseTo(tiny.expected.decimals[index] ?? 0, 12);
    });
  });

  it("Krippendorff's alpha says why there is none", () => {
    expect(
      krippendorffAlpha(
        [
          [1, 1],
          [1, 1],
        ],
        "nominal",
      ),
    ).toEqual({ ok: false, issue: { code: "one_category_only" } });
    expect(
      krippendorffAlpha(
        [
          [1, null],
          [2, null],
        ],
        "ordinal",
      ),
    ).toMatchObject({ ok: false, issue: { code: "too_few" } });
    expect(krippendorffAlpha([], "interval").ok).toBe(false);
  });

  it("Gwet's AC1 with gaps (Gwet 2008, data from memory in part)", () => {
    const { input, expected } = reference<{ ratings: (number | null)[][]; categories: number[] }, { ac1: number }>(
      "agree.gwet.raw4",
    );
    expect(value(gwetAc1(byPaper(input.ratings), input.categories))).toBeCloseTo(expected.ac1, 12);
    expect(gwetAc1([[1, null]], [1, 2])).toMatchObject({ ok: false, issue: { code: "too_few", given: 0 } });
    expect(gwetAc1([[1, 1]], [1])).toMatchObject({ ok: false, issue: { code: "too_few", given: 1 } });
  });

  it("intraclass correlations (Shrout & Fleiss 1979, tables 2 to 4: .29 and .71)", () => {
    const { input, expected } = reference<{ ratings: number[][] }, { icc2: number; icc3: number }>(
      "agree.icc.shrout-fleiss1979",
    );
    expect(value(intraclassCorrelation(input.ratings, "agreement"))).toBeCloseTo(expected.icc2, 12);
    expect(value(intraclassCorrelation(input.ratings, "consistency"))).toBeCloseTo(expected.icc3, 12);
  });

  it("intraclass correlations of three markers (data set anxiety of R irr)", () => {
    const { input, expected } = reference<
      { marker1: number[]; marker2: number[]; marker3: number[] },
      { icc2: number; icc3: number }
    >("agree.kappa.anxiety");
    const rows = input.marker1.map((first, index) => [first, input.marker2[index] ?? 0, input.marker3[index] ?? 0]);
    expect(value(intraclassCorrelation(rows, "agreement"))).toBeCloseTo(expected.icc2, 9);
    expect(value(intraclassCorrelation(rows, "consistency"))).toBeCloseTo(expected.icc3, 9);
  });

  it("scores that do not vary have no intraclass correlation, also in tenths and thirds, which doubles do not hold", () => {
    for (const score of [0.1, 0.7, 1 / 3, 2 / 3, 17.3, 1e6 + 0.1]) {
      for (const [papers, markers] of [
        [3, 2],
        [6, 3],
        [10, 7],
      ] as const) {
        const same = Array.from({ length: papers }, () => new Array<number>(markers).fill(score));
        for (const kind of ["agreement", "consistency"] as const)
          expect(intraclassCorrelation(same, kind)).toEqual({ ok: false, issue: { code: "no_variance" } });
        // Markers who each give one figure to all differ in level alone: nothing is consistent, nothing agrees.
        const levels = same.map((row) => row.map((value, marker) => value + marker / 10));
        expect(intraclassCorrelation(levels, "consistency")).toEqual({ ok: false, issue: { code: "no_variance" } });
        expect(value(intraclassCorrelation(levels, "agreement"))).toBe(0);
      }
    }
    expect(intraclassCorrelation([[1, Number.NaN], [2, 3]], "agreement")).toMatchObject({ issue: { code: "not_a_number" } }); // oxfmt-ignore
  });

  it("intraclass correlations say why there are none", () => {
    expect(intraclassCorrelation([[1, 2]], "agreement")).toMatchObject({ ok: false, issue: { code: "too_few" } });
    expect(intraclassCorrelation([[1, 2], [1]], "agreement")).toMatchObject({ issue: { code: "lengths_differ" } });
    expect(
      intraclassCorrelation(
        [
          [2, 2],
          [2, 2],
        ],
        "consistency",
      ),
    ).toMatchObject({ issue: { code: "no_variance" } });
  });
});
