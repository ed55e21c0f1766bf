import { sampleCovariance, sampleCorrelation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { decimal, required, type Id } from "#core/kernel";
import { CATEGORY_DEFAULTS, withRecords, type CourseState } from "#core/model";
import { assignmentId, classStudent, reference, wholeClass, withScores } from "#core/testing";
import { decidingWork, lettersOf, pairings, trendsOf } from "../index";
import { plannedWeights } from "./planned-weights";

const [one, two, three] = ["one", "two", "three"].map(assignmentId) as [
  Id<"assignment">,
  Id<"assignment">,
  Id<"assignment">,
];
const scored = (names: string[], ...columns: (readonly (number | null)[])[]): CourseState =>
  columns.reduce(
    (state, scores, at) => withScores(state, assignmentId(names[at] ?? ""), scores),
    wholeClass(columns[0]?.length ?? 0, names),
  );

describe("assignments against each other", () => {
  it("correlate as published: Anscombe's quartet, r = .816 each (Anscombe 1973; R datasets anscombe)", () => {
    const { input, expected } = reference<{ x123: number[]; y: number[][] }, { pearson: number[] }>("data.anscombe");
    const state = scored(["one", "two", "three"], input.x123, input.y[0] ?? [], input.y[1] ?? []);
    const found = pairings(state);
    expect(found.map(({ firstId, secondId, count }) => [firstId, secondId, count])).toEqual([
      [one, two, 11],
      [one, three, 11],
      [two, three, 11],
    ]);
    expect(found[0]?.correlation).toMatchObject({ ok: true });
    const values = found.map(({ correlation }) => (correlation.ok ? correlation.value : 0));
    expect(values[0]).toBeCloseTo(expected.pearson[0] ?? 0, 9);
    expect(values[1]).toBeCloseTo(expected.pearson[1] ?? 0, 9);
    expect(values[2]).toBeCloseTo(sampleCorrelation(input.y[0] ?? [], input.y[1] ?? []), 9);
  });

  it("rest on those who have both, and say where there are too few", () => {
    const [pair] = pairings(scored(["one", "two"], [50, 60, null], [70, null, 80]));
    expect(pair).toMatchObject({ count: 1, correlation: { ok: false, issue: { code: "too_few" } } });
  });
});

describe("what decides the totals", () => {
  const columns = [
    [90, 55, 70, 62, 84],
    [71, 70, 72, 70, 71],
  ] as const;
  const state = scored(["one", "two"], ...columns);
  const { totals } = lettersOf(state);

  it("is the share of the covariance with the total (simple-statistics 7.12), all shares together 1", () => {
    const found = decidingWork(state, totals);
    const total = columns[0].map((score, at) => (score + (columns[1][at] ?? 0)) / 2);
    const part = columns.map((column) => 0.5 * sampleCovariance([...column], total));
    const shares = found.map(({ decides }) => (decides.ok ? decides.value : Number.NaN));
    expect(shares[0]).toBeCloseTo((part[0] ?? 0) / sampleCovariance(total, total), 10);
    expect(shares[1]).toBeCloseTo((part[1] ?? 0) / sampleCovariance(total, total), 10);
    expect((shares[0] ?? 0) + (shares[1] ?? 0)).toBeCloseTo(1, 10);
    expect(found.map(({ planned }) => planned)).toEqual([0.5, 0.5]);
  });

  it("is nothing where nothing is scored or all totals are the same", () => {
    expect(decidingWork(wholeClass(3), new Map())[0]?.decides).toMatchObject({ ok: false });
    const same = scored(["one"], [70, 70, 70]);
    expect(decidingWork(same, lettersOf(same).totals)[0]?.decides).toEqual({
      ok: false,
      issue: { code: "no_variance" },
    });
  });
});

describe("planned weights", () => {
  const base = wholeClass(1, ["one", "two", "three"]);
  const category = (slug: string, more: object) => ({
    ...CATEGORY_DEFAULTS,
    id: `category:${slug}` as Id<"category">,
    name: slug,
    order: 0,
    weight: null,
    ...more,
  });
  const placed = (work: Id<"assignment">, slug: string, points = "100") => ({
    ...required(base.assignments[work], work),
    categoryId: `category:${slug}` as Id<"category">,
    points: decimal(points),
  });
  const shares = (state: CourseState) =>
    [one, two, three].map((id) => Math.round(1e6 * (plannedWeights(state).get(id) ?? 0)) / 1e6);

  it("part a category by points where it is pooled and evenly where it is a mean; worked by hand", () => {
    const work = [placed(one, "a", "30"), placed(two, "a", "10"), placed(three, "b")];
    const pooled = withRecords(withRecords(base, "assignments", work), "categories", [
      category("a", { weight: decimal("60") }),
      category("b", { weight: decimal("40") }),
    ]);
    expect(shares(pooled)).toEqual([0.45, 0.15, 0.4]);
    const mean = withRecords(pooled, "categories", [category("a", { weight: decimal("60"), method: "mean" })]);
    expect(shares(mean)).toEqual([0.3, 0.3, 0.4]);
  });

  it("go down into categories inside categories, and leave empty ones, bonus and what counts nowhere out", () => {
    const work = [placed(one, "inner"), { ...placed(two, "a"), counts: false }, placed(three, "b")];
    const state = withRecords(withRecords(base, "assignments", work), "categories", [
      category("a", { weight: decimal("30") }),
      category("inner", { parentId: "category:a" }),
      category("b", { weight: decimal("10") }),
      category("empty", { weight: decimal("60") }),
    ]);
    expect(shares(state)).toEqual([0.75, 0, 0.25]);
  });

  it("follow the terms, with an exam that stands as a term of its own; straight points go by points", () => {
    const term = (slug: string, weight: string, startsAt: string, endsAt: string, order: number) => ({
      id: `term:${slug}` as Id<"term">,
      name: slug,
      weight: decimal(weight),
      startsAt: startsAt as never,
      endsAt: endsAt as never,
      order,
    });
    const terms = withRecords(
      withRecords(base, "terms", [
        term("first", "40", "2026-09-01T00:00:00Z", "2026-09-02T00:00:00Z", 0),
        term("second", "40", "2026-09-02T00:00:00Z", "2026-12-31T00:00:00Z", 1),
      ]),
      "categories",
      [category("exam", { termWeight: decimal("20") })],
    );
    const withExam = withRecords(terms, "assignments", [placed(three, "exam")]);
    expect(shares(withExam)).toEqual([0.4, 0.4, 0.2]);
    const course = required(Object.values(base.courses)[0], "course");
    const straight = withRecords(
      withRecords(base, "courses", [{ ...course, totals: "points" as const }]),
      "assignments",
      [placed(one, "all", "60"), placed(two, "all", "20"), placed(three, "all", "20")],
    );
    expect(shares(straight)).toEqual([0.6, 0.2, 0.2]);
  });
});

describe("rise and fall over the term", () => {
  const names = ["one", "two", "three", "four"];
  it("is later work against earlier work, measured from the class, so that a hard piece is nobody's fall", () => {
    const steady = Array.from({ length: 8 }, () => 70);
    const columns = names.map((_, at) => [...steady.map((score) => score - (at === 3 ? 20 : 0)), at < 2 ? 90 : 50]);
    const found = trendsOf(scored(names, ...columns));
    expect(found.map(({ studentId }) => studentId)).toEqual([classStudent(8)]);
    // Class means 72.2 (2/9 of 20 up) early, 67.8 and 50 later: 17.8 above, then 17.8 and 0 below.
    expect(found[0]?.change).toBeCloseTo((50 - 610 / 9 + (50 - 450 / 9)) / 2 - (90 - 650 / 9), 10);
  });

  it("is told from four dated pieces on", () => {
    expect(trendsOf(scored(names.slice(0, 3), [90, 70], [60, 70], [40, 70]))).toEqual([]);
  });
});
