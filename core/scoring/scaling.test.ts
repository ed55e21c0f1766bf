import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compare, decimal, fractionText, fromDecimal, pointsText, toNumber, whole, type Exact } from "#core/kernel";
import type { Scaling } from "#core/model";
import { reference } from "#core/testing";
import { checkScaling, scaledScore, topToMaximum, tScaling } from "./index";

const exact = (value: number): Exact => fromDecimal(decimal(String(value)));
const HUNDRED = whole(100);

describe("scaling a whole assignment", () => {
  it("by square root: 10 x sqrt(percent), kept to four places (reference curve.sqrt: arithmetic)", () => {
    const { input, expected } = reference<{ percent: number[] }, { curved: number[] }>("curve.sqrt");
    input.percent.forEach((percent, index) => {
      const scaled = scaledScore({ kind: "squareRoot" }, exact(percent), HUNDRED);
      expect(toNumber(scaled)).toBeCloseTo(expected.curved[index] ?? 0, 4);
      expect(fractionText(scaled)).toBe(fractionText(fromDecimal(pointsText(scaled))));
    });
  });

  it("by the line through two points, exactly (reference curve.linear)", () => {
    const { input, expected } = reference<
      { scores: number[]; map: { x1: number; y1: number; x2: number; y2: number } },
      { twoPointFractions: string[]; flatAddToTop100: number[]; scaleTopTo100: number[] }
    >("curve.linear");
    const [x1, y1, x2, y2] = [input.map.x1, input.map.y1, input.map.x2, input.map.y2].map((value) =>
      decimal(String(value)),
    );
    const line = { kind: "linear", x1, y1, x2, y2 } as Scaling;
    expect(input.scores.map((score) => fractionText(scaledScore(line, exact(score), HUNDRED)))).toEqual(
      expected.twoPointFractions,
    );
    const scores = input.scores.map(exact);
    const lifted = (by: "adding" | "factor") => {
      const scaling = topToMaximum(scores, decimal("100"), by);
      return scaling.ok ? scores.map((score) => toNumber(scaledScore(scaling.value, score, HUNDRED))) : [];
    };
    expect(lifted("adding")).toEqual(expected.flatAddToTop100);
    lifted("factor").forEach((score, index) => {
      expect(score).toBeCloseTo(expected.scaleTopTo100[index] ?? 0, 12);
    });
  });

  it("to T scores, mean 50 and SD 10 (McCall 1922; reference curve.tscore)", () => {
    const { input, expected } = reference<{ scores: number[] }, { tPopulation: number[] }>("curve.tscore");
    const scaling = tScaling(input.scores.map(exact));
    if (!scaling.ok) throw new Error("no scaling");
    input.scores.forEach((score, index) => {
      // Mean and deviation of the class are kept to four places.
      expect(toNumber(scaledScore(scaling.value, exact(score), HUNDRED))).toBeCloseTo(
        expected.tPopulation[index] ?? 0,
        4,
      );
    });
  });

  it("without spread leaves scores as they are and says so (reference curve.degenerate: convention of the handbook)", () => {
    expect(tScaling([exact(7), exact(7)])).toEqual({ ok: false, issue: { code: "no_spread", score: exact(7) } });
    expect(tScaling([])).toEqual({ ok: false, issue: { code: "nothing_to_scale" } });
    expect(topToMaximum([], decimal("10"), "adding")).toEqual({ ok: false, issue: { code: "nothing_to_scale" } });
    expect(topToMaximum([exact(0)], decimal("10"), "factor")).toMatchObject({
      ok: false,
      issue: { code: "no_spread" },
    });
    const flat = { kind: "linear", x1: decimal("5"), y1: decimal("1"), x2: decimal("5"), y2: decimal("9") } as const;
    expect(checkScaling(flat)).toEqual({ ok: false, issue: { code: "same_x_twice", x: "5" } });
    expect(scaledScore(flat, exact(3), HUNDRED)).toEqual(exact(3));
    const constant = { kind: "tScore", mean: decimal("5"), deviation: decimal("0") } as const;
    expect(scaledScore(constant, exact(3), HUNDRED)).toEqual(exact(3));
  });

  it("refuses a line that falls, and takes one that does not", () => {
    const line = (y2: string) =>
      ({ kind: "linear", x1: decimal("0"), y1: decimal("5"), x2: decimal("10"), y2: decimal(y2) }) as const;
    expect(checkScaling(line("4.9"))).toMatchObject({ ok: false, issue: { code: "falling_line" } });
    expect(checkScaling(line("5")).ok).toBe(true);
    expect(checkScaling({ kind: "squareRoot" }).ok).toBe(true);
  });

  it("never turns the order of two scores around", () => {
    const scalings: Scaling[] = [
      { kind: "add", points: decimal("-3") },
      { kind: "squareRoot" },
      { kind: "linear", x1: decimal("10"), y1: decimal("20"), x2: decimal("90"), y2: decimal("95") },
      { kind: "tScore", mean: decimal("61.5"), deviation: decimal("12.25") },
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...scalings),
        fc.integer({ min: 0, max: 1000 }),
        fc.nat(200),
        (scaling, tenths, more) => {
          const [low, high] = [tenths, tenths + more].map((value) => scaledScore(scaling, exact(value / 10), HUNDRED));
          expect(low && high && compare(low, high)).toBeLessThanOrEqual(0);
        },
      ),
    );
  });

  it("leaves a negative score and an assignment without points alone under the square root", () => {
    expect(scaledScore({ kind: "squareRoot" }, exact(-2), HUNDRED)).toEqual(exact(-2));
    expect(scaledScore({ kind: "squareRoot" }, exact(4), whole(0))).toEqual(exact(4));
  });
});
