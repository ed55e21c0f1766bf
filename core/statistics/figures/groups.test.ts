import { describe, expect, it } from "vitest";
import { groupDifference } from "../index";

const found = (...groups: number[][]) => {
  const answer = groupDifference(groups);
  if (!answer.ok) throw new Error(answer.issue.code);
  return answer.value;
};

describe("whether groups differ by more than chance", () => {
  /** Student (1908), The probable error of a mean, Biometrika 6, 1-25: extra hours of sleep under two drugs; R's data set `sleep`. */
  const FIRST = [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0.0, 2.0];
  const SECOND = [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4];

  it("two groups: Welch's t of Student's sleep data (R's t.test: t = -1.8608, df = 17.776, p = 0.07939, from memory)", () => {
    const { f, within, between, chance, apart } = found(FIRST, SECOND);
    expect(Math.sqrt(f)).toBeCloseTo(1.8608, 4);
    expect(within).toBeCloseTo(17.776, 3);
    expect(between).toBe(1);
    expect(chance).toBeCloseTo(0.07939, 5);
    expect(apart).toBeCloseTo(1.58, 10);
  });

  it("six groups: counts of insects under six sprays (R's oneway.test of InsectSprays: F = 36.065, df = 5 and 30.043, from memory)", () => {
    const { f, within, between, chance } = found(
      [10, 7, 20, 14, 14, 12, 10, 23, 17, 20, 14, 13],
      [11, 17, 21, 11, 16, 14, 17, 17, 19, 21, 7, 13],
      [0, 1, 7, 2, 3, 1, 2, 1, 3, 0, 1, 4],
      [3, 5, 12, 6, 4, 3, 5, 5, 5, 5, 2, 4],
      [3, 5, 3, 5, 3, 6, 1, 1, 3, 2, 6, 4],
      [11, 9, 15, 22, 15, 16, 13, 10, 26, 26, 24, 13],
    );
    expect(f).toBeCloseTo(36.065, 3);
    expect(within).toBeCloseTo(30.043, 3);
    expect(between).toBe(5);
    expect(chance).toBeLessThan(1e-9);
  });

  it("says why it cannot tell: one group, a paper alone, groups without spread", () => {
    expect(groupDifference([FIRST])).toEqual({ ok: false, issue: { code: "too_few", least: 2, given: 1 } });
    expect(groupDifference([FIRST, [4]])).toMatchObject({ ok: false, issue: { code: "too_few" } });
    expect(groupDifference([FIRST, [0.1, 0.1, 0.1]])).toEqual({ ok: false, issue: { code: "no_variance" } });
    expect(groupDifference([FIRST, [1, Number.NaN]])).toEqual({ ok: false, issue: { code: "not_a_number" } });
  });
});
