import { describe, expect, it } from "vitest";
import { required } from "#core/kernel";
import {
  assignmentId,
  classStudent,
  criterionId,
  reference,
  wholeClass,
  withCriteria,
  withJudgements,
} from "#core/testing";
import { criteriaOf, type Statistic } from "../index";

const value = (statistic: Statistic): number => (statistic.ok ? statistic.value : Number.NaN);
const work = assignmentId("work");
const inOrder = (count: number) => () => Array.from({ length: count }, (_, place) => classStudent(place));

interface Expected {
  readonly alpha: number;
  readonly sem: number;
  readonly itemMean: number[];
  readonly itemSD: number[];
  readonly itemRest: number[];
  readonly alphaIfDeleted: number[];
}

describe("what criteria tell about a class", () => {
  it("as published for seven ratings of thirty people (Chatterjee & Price 1977, data set attitude; R psych::alpha)", () => {
    const { input, expected } = reference<{ columns: string[]; rows: number[][] }, Expected>("item.alpha.attitude");
    const criteria = input.columns.map((name) => ({ name, levels: [["any", 0, 100]] as const }));
    const ids = input.columns.map(criterionId);
    const state = withJudgements(withCriteria(wholeClass(30), work, criteria), work, ids, input.rows);
    const found = required(
      criteriaOf(state, required(state.assignments[work], "work"), new Map(), inOrder(30)),
      "criteria",
    );
    expect(found.complete).toBe(30);
    expect(value(found.alpha)).toBeCloseTo(expected.alpha, 9);
    expect(value(found.error)).toBeCloseTo(expected.sem, 9);
    found.criteria.forEach((criterion, at) => {
      expect(value(criterion.mean)).toBeCloseTo(expected.itemMean[at] ?? 0, 9);
      expect(value(criterion.spread)).toBeCloseTo(expected.itemSD[at] ?? 0, 9);
      expect(value(criterion.withRest)).toBeCloseTo(expected.itemRest[at] ?? 0, 9);
      expect(value(criterion.alphaWithout)).toBeCloseTo(expected.alphaIfDeleted[at] ?? 0, 9);
      expect(criterion).toMatchObject({ maximum: 100, count: 30 });
    });
  });

  const LEVELS = [
    ["low", 0, 4],
    ["high", 5, 10],
  ] as const;
  const two = [
    { name: "one", levels: LEVELS },
    { name: "two", levels: LEVELS },
  ];
  const ids = [criterionId("one"), criterionId("two")];

  it("count each level and tell what it goes with in the rest, worked by hand", () => {
    const rows = [
      [2, 3],
      [4, 5],
      [8, 6],
      [10, 10],
    ];
    const state = withJudgements(withCriteria(wholeClass(4), work, two), work, ids, rows);
    const found = criteriaOf(state, required(state.assignments[work], "work"), new Map(), inOrder(4));
    const levels = found?.criteria.map(({ levels: uses }) => uses.map(({ count, restMean }) => [count, restMean]));
    expect(levels).toEqual([
      [
        [2, 4],
        [2, 8],
      ],
      [
        [1, 2],
        [3, 22 / 3],
      ],
    ]);
    expect(found?.criteria[0]?.drift).toBeNull();
  });

  it("tell how the judging moved, in the order the papers were judged and not that of the roster", () => {
    const rows = Array.from({ length: 20 }, (_, place) => [place < 10 ? 2 : 6, 5]);
    const state = withJudgements(withCriteria(wholeClass(20), work, two), work, ids, rows);
    const backwards = () => [...inOrder(20)()].reverse();
    const found = criteriaOf(state, required(state.assignments[work], "work"), new Map(), backwards);
    expect(found?.criteria[0]?.drift).toEqual({ first: 6, last: 2, difference: -4 });
  });

  it("leave out papers that are judged in part, and say why nothing goes with anything in a class of one", () => {
    const state = withJudgements(withCriteria(wholeClass(3), work, two), work, ids, [[2, 3], [4]]);
    const found = criteriaOf(state, required(state.assignments[work], "work"), new Map(), inOrder(3));
    // The second paper waits for its other criterion and has no score yet.
    expect(found).toMatchObject({ complete: 1, alpha: { ok: false, issue: { code: "too_few" } } });
    expect(found?.criteria[1]?.withRest).toEqual({ ok: false, issue: { code: "too_few", least: 2, given: 1 } });
  });

  it("are none without a rubric", () => {
    const state = wholeClass(3);
    expect(criteriaOf(state, required(state.assignments[work], "work"), new Map(), inOrder(3))).toBeNull();
  });
});
