import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compare, decimal, pointsText, required } from "#core/kernel";
import { makeRubric } from "#core/testing";
import { checkPoints, levelAt, pointsAtShare, proposedPoints, rulerEnds, steppedPoints, sumRubric } from "./index";

const rubric = makeRubric("memo", "record: 0-6, 6.5-10, 10.5-12, 12-12", "gappy: 1-3, 5-8", "writing: 0-4, 4-10");
const [record, gappy, writing] = rubric.criteria.map((criterion) => criterion) as [
  (typeof rubric.criteria)[0],
  (typeof rubric.criteria)[0],
  (typeof rubric.criteria)[0],
];
const p = decimal;

describe("levels on a ruler", () => {
  it.each([
    ["0", "L1"],
    ["6", "L1"],
    ["6.5", "L2"],
    ["10.5", "L3"],
    ["11.5", "L3"],
    ["12", "L4"],
  ])("%s points lie in %s", (points, level) => {
    expect(levelAt(record, p(points))?.name).toBe(level);
  });

  it("leave a gap without a level, and two that touch give the higher one", () => {
    expect(levelAt(record, p("6.25"))).toBeNull();
    expect(levelAt(gappy, p("4"))).toBeNull();
    expect(levelAt(writing, p("4"))?.name).toBe("L2");
  });

  it("run from the lowest bound to the highest", () => {
    expect(rulerEnds(record)).toEqual({ minimum: "0", maximum: "12" });
    expect(rulerEnds(gappy)).toEqual({ minimum: "1", maximum: "8" });
  });
});

describe("choosing a level", () => {
  const level = (index: number) => required(record.levels[index], "level");

  it.each([
    ["top", "10"],
    ["middle", "8"], // 8.25 lies half a step on; the middle is taken down to the step
    ["bottom", "6.5"],
  ] as const)("proposes its %s", (proposal, expected) => {
    expect(proposedPoints({ ...rubric, proposal }, record, level(1))).toBe(expected);
  });

  it("of one value proposes that value whatever the rule", () => {
    for (const proposal of ["top", "middle", "bottom"] as const) {
      expect(proposedPoints({ ...rubric, proposal }, record, level(3))).toBe("12");
    }
  });
});

describe("moving by steps", () => {
  it("goes by the step within a level", () => {
    expect(steppedPoints(record, p("7"), 1)).toBe("7.5");
    expect(steppedPoints(record, p("7"), -1)).toBe("6.5");
  });

  it("steps over a gap to the bound of the next level", () => {
    expect(steppedPoints(gappy, p("3"), 1)).toBe("5");
    expect(steppedPoints(gappy, p("5"), -1)).toBe("3");
  });

  it("holds at the ends", () => {
    expect(steppedPoints(record, p("12"), 1)).toBe("12");
    expect(steppedPoints(gappy, p("1"), -1)).toBe("1");
  });

  it("starts at an end when nothing was given", () => {
    expect(steppedPoints(gappy, null, 1)).toBe("1");
    expect(steppedPoints(gappy, null, -1)).toBe("8");
  });

  it("from any allowed value stays on allowed values", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20 }), fc.boolean(), (halves, up) => {
        const from = p(String(halves / 2));
        fc.pre(levelAt(gappy, from) !== null);
        expect(levelAt(gappy, steppedPoints(gappy, from, up ? 1 : -1))).not.toBeNull();
      }),
    );
  });
});

describe("dragging", () => {
  it.each([
    [0, "0"],
    [0.5, "6"],
    [1, "12"],
    [-3, "0"],
    [7, "12"],
    [0.3541, "4"], // nearest half point is 4 (4.25 lies between 4 and 4.5)
  ])("to share %s gives %s", (share, points) => {
    expect(pointsAtShare(record, share)).toBe(points);
  });

  it("into a gap takes the nearest bound", () => {
    expect(pointsAtShare(gappy, 0.45)).toBe("3"); // 3.5 of 8
    expect(pointsAtShare(gappy, 0.56)).toBe("5"); // 4.5 of 8
    expect(pointsAtShare(gappy, 0)).toBe("1");
  });
});

describe("typed points", () => {
  it("inside a level are taken, also off the step", () => {
    expect(checkPoints(record, p("7.25"), false)).toEqual({ ok: true, value: "7.25" });
  });

  it("outside the ruler are refused with its ends, confirmed or not", () => {
    const issue = { code: "points_outside_ruler", minimum: "0", maximum: "12" };
    expect(checkPoints(record, p("12.5"), true)).toMatchObject({ ok: false, issue });
    expect(checkPoints(record, p("-1"), true)).toMatchObject({ ok: false, issue });
  });

  it("between two levels are asked once, with both bounds", () => {
    expect(checkPoints(gappy, p("4"), false)).toMatchObject({
      ok: false,
      issue: { code: "points_between_levels", below: "3", above: "5", canConfirm: true },
    });
    expect(checkPoints(gappy, p("4"), true).ok).toBe(true);
  });
});

describe("the sum of a rubric", () => {
  const open = { points: null, notApplicable: false };
  const given = (points: string) => ({ points: p(points), notApplicable: false });
  const sumOf = (...judged: { points: ReturnType<typeof p> | null; notApplicable: boolean }[]) =>
    sumRubric(rubric, { points: p("100") }, (criterion) => judged[rubric.criteria.indexOf(criterion)] ?? open);

  it("has no score while a criterion is open, and says how much is open", () => {
    const sum = sumOf(given("10"), open, given("8"));
    expect(sum.score).toBeNull();
    expect(pointsText(sum.given)).toBe("18");
    expect(pointsText(sum.judgedMaximum)).toBe("22");
    expect(pointsText(sum.openMaximum)).toBe("8");
    expect(sum.open).toBe(1);
  });

  it("is scaled to the assignment's points, exactly: 24 of 30 is 80 of 100", () => {
    const { score } = sumOf(given("9"), given("7"), given("8"));
    expect(score && pointsText(score)).toBe("80");
  });

  it("leaves out what does not apply from both sides: 17 of 22", () => {
    const { score } = sumOf(given("9"), { points: null, notApplicable: true }, given("8"));
    expect(score && `${String(score.n)}/${String(score.d)}`).toBe("850/11");
  });

  it("has no score when nothing applies, rather than a division by nothing", () => {
    const none = { points: null, notApplicable: true };
    expect(sumOf(none, none, none).score).toBeNull();
  });

  it("never falls when a criterion rises", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 15 }), fc.integer({ min: 0, max: 5 }), (halves, more) => {
        const low = sumOf(given(String(halves / 2)), given("1"), given("0")).score;
        const high = sumOf(given(String((halves + more) / 2)), given("1"), given("0")).score;
        expect(low && high && compare(high, low) >= 0).toBe(true);
      }),
    );
  });
});
