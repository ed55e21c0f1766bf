import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decimal, fractionText } from "#core/kernel";
import type { Criterion, Rubric } from "#core/model";
import { makeRubric } from "#core/testing";
import { checkRubric, scoresOutOfReach, sumRubric } from "./index";

const codes = (rubric: Rubric) => checkRubric(rubric).map(({ code }) => code);
const change = (rubric: Rubric, fields: Partial<Criterion>): Rubric => ({
  ...rubric,
  criteria: rubric.criteria.map((criterion, index) => (index === 0 ? { ...criterion, ...fields } : criterion)),
});

describe("looking a rubric over", () => {
  it("finds nothing in a sound one", () => {
    expect(checkRubric(makeRubric("sound", "a: 0-3, 3.5-6", "b: 0-4, 4.5-10"))).toEqual([]);
  });

  it("refuses levels that overlap, and says where; levels may touch", () => {
    expect(checkRubric(makeRubric("bad", "a: 0-4, 3.5-6"))).toMatchObject([
      { kind: "fault", code: "levels_overlap", criterionId: "criterion:a", at: "3.5" },
    ]);
    expect(codes(makeRubric("touching", "a: 0-4, 4-6"))).toEqual([]);
  });

  it("refuses a level upside down, a step of nothing and a weight below 0", () => {
    expect(codes(makeRubric("bad", "a: 4-0"))).toContain("level_upside_down");
    expect(codes(change(makeRubric("bad", "a: 0-4"), { step: decimal("0") }))).toEqual(["step_not_positive"]);
    expect(codes(change(makeRubric("bad", "a: 0-4"), { weight: decimal("-1") }))).toEqual(["weight_below_zero"]);
  });

  it("points out a gap between levels with both bounds, and the scores it keeps out of reach", () => {
    expect(checkRubric(makeRubric("gap", "a: 0-1, 3-4"))).toMatchObject([
      { kind: "hint", code: "gap_between_levels", below: "1", above: "3" },
      { kind: "hint", code: "scores_out_of_reach", scores: ["1.5", "2", "2.5"] },
    ]);
  });

  it("points out a level whose top no step stands on", () => {
    expect(checkRubric(change(makeRubric("odd", "a: 0-3.25"), {}))).toMatchObject([
      { code: "step_misses_top", at: "3.25" },
    ]);
  });

  it("knows that two criteria fill each other's gaps", () => {
    expect(scoresOutOfReach(makeRubric("filled", "a: 0-1, 3-4", "b: 0-2"))).toEqual([]);
    expect(scoresOutOfReach(makeRubric("fixed", "a: 2-2, 5-5"))).toEqual(["2.5", "3", "3.5", "4", "4.5"]);
  });

  it("what it calls out of reach no choice of values gives, and the rest some choice does", () => {
    const bounds = fc.tuple(fc.nat(4), fc.nat(3), fc.nat(4), fc.nat(3));
    fc.assert(
      fc.property(fc.array(bounds, { minLength: 1, maxLength: 3 }), (rows) => {
        const rubric = makeRubric(
          "any",
          ...rows.map(([from, length, gap, next], index) => {
            const second = from + length + gap + 1;
            return `c${String(index)}: ${String(from)}-${String(from + length)}, ${String(second)}-${String(second + next)}`;
          }),
        );
        let sums = new Set([0]);
        for (const { levels } of rubric.criteria) {
          const values = levels.flatMap(({ min, max }) =>
            Array.from({ length: (Number(max) - Number(min)) * 2 + 1 }, (_, step) => Number(min) + step / 2),
          );
          sums = new Set([...sums].flatMap((sum) => values.map((value) => sum + value)));
        }
        const missing = scoresOutOfReach(rubric).map(Number);
        const [low, high] = [Math.min(...sums), Math.max(...sums)];
        const wanted = Array.from({ length: (high - low) * 2 + 1 }, (_, step) => low + step / 2).filter(
          (sum) => !sums.has(sum),
        );
        expect(missing).toEqual(wanted.slice(0, 12));
      }),
    );
  });
});

describe("the other ways of a rubric to a score", () => {
  const judge = (...points: string[]) => {
    let place = -1;
    return () => ({ points: decimal(points[(place += 1)] ?? "0"), notApplicable: false });
  };
  const score = (rubric: Rubric, ...points: string[]) => {
    const sum = sumRubric(rubric, { points: decimal("50") }, judge(...points)).score;
    return sum && fractionText(sum);
  };
  const plain = makeRubric("two", "a: 0-6", "b: 0-4");
  const weighted = (...weights: (string | null)[]): Rubric => ({
    ...plain,
    criteria: plain.criteria.map((criterion, index) => {
      const weight = weights[index];
      return { ...criterion, weight: weight == null ? null : decimal(weight) };
    }),
  });

  it("weighted: the mean of the percentages, (3 x 3/6 + 1 x 4/4) / 4 of 50 (by hand)", () => {
    expect(score(weighted("3", "1"), "3", "4")).toBe("125/4");
  });

  it("weighted: a criterion without a weight counts nothing, and without any weight left there is no score", () => {
    expect(score(weighted("3", null), "3", "4")).toBe("25/1");
    expect(score(weighted("0", null), "3", "4")).toBeNull();
  });

  it("unscaled: the points as they are", () => {
    expect(score({ ...plain, scaled: false }, "3", "4")).toBe("7/1");
    expect(score(plain, "3", "4")).toBe("35/1");
  });

  it("for outcomes: never a score", () => {
    expect(score({ ...plain, purpose: "outcomes" }, "3", "4")).toBeNull();
  });
});
