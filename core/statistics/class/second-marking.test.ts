import { describe, expect, it } from "vitest";
import { decimal, required, type Id } from "#core/kernel";
import { secondMarkersOf, withRecords, type CourseState, type SampleWay } from "#core/model";
import {
  assignmentId,
  classStudent,
  criterionId,
  reference,
  wholeClass,
  withCriteria,
  withJudgements,
  withScores,
} from "#core/testing";
import { agreementOf, sampleOf, type Statistic } from "../index";

const value = (statistic: Statistic): number => (statistic.ok ? statistic.value : Number.NaN);
const work = assignmentId("work");
const marker = "marker:two" as Id<"marker">;
const workOf = (state: CourseState) => required(state.assignments[work], "work");

/** Everybody's paper marked a second time; `second` by criterion, or one score where there is no rubric. */
function markedTwice(
  state: CourseState,
  second: readonly (readonly number[])[],
  criteria: readonly string[],
): CourseState {
  const studentIds = second.map((_, place) => classStudent(place));
  const moderation = {
    id: work,
    markerId: marker,
    way: { kind: "all" } as const,
    studentIds,
    blind: true,
    within: decimal("5"),
    settled: [],
  };
  const marks = second.map((row, place) => ({
    id: `${work}/${classStudent(place)}/${marker}`,
    assignmentId: work,
    studentId: classStudent(place),
    markerId: marker,
    judgements: criteria.map((name, at) => ({
      criterionId: criterionId(name),
      points: decimal(String(row[at] ?? 0)),
      notApplicable: false,
      comment: "",
    })),
    score: criteria.length === 0 ? decimal(String(row[0] ?? 0)) : null,
    comment: "",
    notes: [],
  }));
  return withRecords(withRecords(state, "moderations", [moderation]), "secondMarks", marks);
}

describe("how two markers agree", () => {
  it("in points as published: Bland and Altman (1986), table 1, peak flow of 17 people by two meters", () => {
    const { input, expected } = reference<
      { methodA_first: number[]; methodB_first: number[] },
      { mean: number; sd: number }
    >("agree.bland-altman1986");
    const first = input.methodA_first.map((flow) => flow / 10);
    const state = markedTwice(
      withScores(wholeClass(first.length), work, first),
      input.methodB_first.map((flow) => [flow / 10]),
      [],
    );
    const found = required(agreementOf(state, workOf(state)), "agreement");
    expect(found.twice).toHaveLength(17);
    expect(found.limits).toMatchObject({ ok: true });
    if (!found.limits.ok) return;
    // Ours is second less first; theirs is the first meter less the second.
    expect(10 * found.limits.value.mean).toBeCloseTo(-expected.mean, 9);
    expect(10 * found.limits.value.deviation).toBeCloseTo(expected.sd, 9);
    expect(found.within).toBe(
      input.methodA_first.filter((flow, at) => Math.abs(flow - (input.methodB_first[at] ?? 0)) <= 50).length,
    );
  });

  it("in levels as published: Westlund and Kurland (1953), four grades of 149 cases by two specialists", () => {
    const { input, expected } = reference<
      { table: number[][] },
      { quadraticKappa: number; percentAgreement: number; withinOne: number }
    >("agree.kappa.ms-winnipeg");
    const pairs = input.table.flatMap((row, first) =>
      row.flatMap((count, second) => Array.from({ length: count }, () => [first, second] as const)),
    );
    const levels = [0, 1, 2, 3].map((grade) => [`grade ${String(grade)}`, 10 * grade, 10 * grade + 9] as const);
    const judged = withJudgements(
      withCriteria(wholeClass(pairs.length), work, [{ name: "grade", levels }]),
      work,
      [criterionId("grade")],
      pairs.map(([first]) => [10 * first + 4]),
    );
    const state = markedTwice(
      judged,
      pairs.map(([, second]) => [10 * second + 7]),
      ["grade"],
    );
    const [grade] = required(agreementOf(state, workOf(state)), "agreement").criteria;
    expect(grade?.count).toBe(149);
    expect(value(required(grade, "grade").kappa)).toBeCloseTo(expected.quadraticKappa, 9);
    expect(value(required(grade, "grade").sameLevel)).toBeCloseTo(expected.percentAgreement, 9);
    expect(value(required(grade, "grade").withinOne)).toBeCloseTo(expected.withinOne, 9);
    expect(value(required(agreementOf(state, workOf(state)), "agreement").levels)).toBeCloseTo(
      expected.quadraticKappa,
      9,
    );
  });

  it("in scores as published: two judges of Shrout and Fleiss (1979), held against the whole table's formula", () => {
    const { input } = reference<{ ratings: number[][] }, object>("agree.icc.shrout-fleiss1979");
    const rows = input.ratings.map(([first = 0, second = 0]) => [first, second] as const);
    const state = markedTwice(
      withScores(
        wholeClass(rows.length),
        work,
        rows.map(([first]) => first),
      ),
      rows.map(([, second]) => [second]),
      [],
    );
    // ICC(2,1) of the first two judges by hand: mean squares of papers 6.55, of judges 80.08, of the rest 0.95.
    const [papers, judges, rest, count] = meanSquares(rows);
    const byHand = (papers - rest) / (papers + rest + (2 * (judges - rest)) / count);
    expect(value(required(agreementOf(state, workOf(state)), "agreement").intraclass)).toBeCloseTo(byHand, 10);
  });

  function meanSquares(rows: readonly (readonly [number, number])[]) {
    const n = rows.length;
    const grand = rows.flat().reduce((total, one) => total + one, 0) / (2 * n);
    const means = [0, 1].map((at) => rows.reduce((total, row) => total + (row[at] ?? 0), 0) / n);
    const papers = (2 * rows.reduce((total, [a, b]) => total + ((a + b) / 2 - grand) ** 2, 0)) / (n - 1);
    const judges = n * means.reduce((total, one) => total + (one - grand) ** 2, 0);
    const all = rows.flat().reduce((total, one) => total + (one - grand) ** 2, 0);
    return [papers, judges, (all - papers * (n - 1) - judges) / (n - 1), n] as const;
  }

  it("is told of each marker who judged the sample, its own first", () => {
    const three = "marker:three" as Id<"marker">;
    const state = markedTwice(withScores(wholeClass(2), work, [50, 60]), [[52], [61]], []);
    const others = Object.values(state.secondMarks).map((mark) => ({
      ...mark,
      id: `${work}/${mark.studentId}/${three}`,
      markerId: three,
      score: decimal("40"),
    }));
    const both = withRecords(state, "secondMarks", others);
    expect(secondMarkersOf(both, work)).toEqual([marker, three]);
    const twice = (by?: typeof marker) => agreementOf(both, workOf(both), by)?.twice.map(({ second }) => second);
    expect([twice(), twice(marker), twice(three)]).toEqual([
      [52, 61],
      [52, 61],
      [40, 40],
    ]);
  });

  it("is nothing without second marking, and says why where one paper is too few", () => {
    const state = withScores(wholeClass(2), work, [50, 60]);
    expect(agreementOf(state, workOf(state))).toBeNull();
    const one = markedTwice(state, [[55]], []);
    expect(agreementOf(one, workOf(one))).toMatchObject({
      within: 1,
      limits: { ok: false, issue: { code: "too_few" } },
      intraclass: { ok: false, issue: { code: "too_few" } },
    });
  });
});

describe("a sample", () => {
  const scores = Array.from({ length: 20 }, (_, place) => 42 + 3 * place);
  const state = withScores(wholeClass(22), work, [...scores, null, null]);
  const sample = (way: SampleWay, named = [classStudent(3), classStudent(21)]) =>
    sampleOf(state, workOf(state), way, named);
  const places = (way: SampleWay) => sample(way).map((id) => Number(id.slice(-4)));

  it("is every nth of the scored papers, all of them, or those chosen by hand that are scored", () => {
    expect(places({ kind: "everyNth", every: 6 })).toEqual([5, 11, 17]);
    expect(places({ kind: "all" })).toHaveLength(20);
    expect(places({ kind: "named" })).toEqual([3]);
  });

  it("at random is the same by the same seed and another by another one, never one twice", () => {
    const one = places({ kind: "random", count: 8, seed: 7 });
    expect(one).toHaveLength(8);
    expect(new Set(one).size).toBe(8);
    expect(places({ kind: "random", count: 8, seed: 7 })).toEqual(one);
    expect(places({ kind: "random", count: 8, seed: 8 })).not.toEqual(one);
    expect(places({ kind: "random", count: 500, seed: 1 })).toHaveLength(20);
  });

  it("takes so many of each letter, spread over its band, and all near a bound", () => {
    // A from 90: 90, 93, 96, 99; B from 80: 81, 84, 87; F: the rest.
    expect(places({ kind: "byLetter", each: 2 })).toEqual([3, 9, 13, 15, 17, 19]);
    // Bounds at 60 (pass), 80 and 90; within one point: 60, 81, 90.
    expect(places({ kind: "nearBound", within: decimal("1") })).toEqual([6, 13, 16]);
  });
});
