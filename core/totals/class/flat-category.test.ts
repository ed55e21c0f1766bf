import { describe, expect, it } from "vitest";
import type { Category } from "#core/model";
import { flatCategory, newBasket, type Fraction } from "./flat-category";

const ALL: Category["keep"] = { kind: "all" };
const DROP = (count: number): Category["keep"] => ({ kind: "dropLowest", count });

interface Given {
  readonly method: Category["method"];
  readonly keep?: Category["keep"];
  /** Value and points of each item, in units. */
  readonly items: readonly (readonly [number, number])[];
  /** Places of items that are never dropped. */
  readonly always?: readonly number[];
  readonly gain?: number;
  readonly perPoint?: number;
}

/** The percentage as a fraction, the maxima of what stays, and whether doubles were enough. */
function work({ method, keep = ALL, items, always = [], gain = 0, perPoint = 1 }: Given) {
  const basket = newBasket(items.length + 2);
  // What an earlier student has left in the arrays must not matter.
  basket.dropped.fill(1);
  basket.worth.fill(-1e9);
  items.forEach(([value, points], index) => {
    basket.values[index] = value;
    basket.points[index] = points;
    basket.always[index] = always.includes(index) ? 1 : 0;
  });
  basket.size = items.length;
  basket.fixed = always.length;
  basket.gain = gain;
  const out: Fraction = { numerator: 7, denominator: 7, possible: 7, safe: false };
  flatCategory({ method, keep }, basket, perPoint, out);
  return out;
}

const exact = (numerator: number, denominator: number, possible: number) => ({
  numerator,
  denominator,
  possible,
  safe: true,
});

describe("one category of one student in whole numbers", () => {
  it("is empty where nothing counts", () => {
    expect(work({ method: "mean", items: [] })).toEqual(exact(0, 0, 0));
  });

  // Worked by hand: 5 of 10, 3 of 4 and 1 of 2 are 50, 75 and 50 percent.
  const items = [
    [5, 10],
    [3, 4],
    [1, 2],
  ] as const;
  it.each([
    ["pooled", {}, exact(225, 4, 16)],
    ["mean", {}, exact(175, 3, 16)],
    ["median", {}, exact(50, 1, 16)],
    ["best", {}, exact(75, 1, 16)],
    // Of equals the earlier goes: the item of 10 points.
    ["mean", { keep: DROP(1) }, exact(125, 2, 6)],
    ["median", { keep: DROP(1) }, exact(125, 2, 6)],
    ["mean", { keep: DROP(2) }, exact(75, 1, 4)],
    ["mean", { keep: DROP(9) }, exact(75, 1, 4)],
    ["mean", { keep: { kind: "keepBest", count: 2 } }, exact(125, 2, 6)],
    // The first always counts, so the other half goes.
    ["mean", { keep: DROP(1), always: [0] }, exact(125, 2, 14)],
    ["mean", { keep: DROP(2), always: [0] }, exact(50, 1, 10)],
    ["best", { keep: DROP(1), always: [0, 1] }, exact(75, 1, 14)],
    // 11 of 16 with 2 gained.
    ["pooled", { gain: 2 }, exact(275, 4, 16)],
    // Gained points are percentage points outside the pool: 50 + 2.
    ["median", { gain: 2 }, exact(52, 1, 16)],
    ["mean", { gain: 2, keep: DROP(2) }, exact(77, 1, 4)],
  ] as const)("%s with %o", (method, more, wanted) => {
    expect(work({ method, items, ...more })).toEqual(wanted);
  });

  it("takes the middle of an even number between the two, whatever their order", () => {
    expect(
      work({
        method: "median",
        items: [
          [9, 10],
          [1, 10],
          [4, 10],
          [8, 10],
        ],
      }),
    ).toEqual(exact(60, 1, 40));
    expect(
      work({
        method: "median",
        items: [
          [9, 10],
          [1, 10],
          [10, 10],
          [4, 10],
          [8, 10],
        ],
      }),
    ).toEqual(exact(80, 1, 50));
  });

  it("drops the pooled items whose going helps most, not those of the least percentage", () => {
    // Without 0 of 2 it is 69 of 110, 62.7 percent; without 60 of 100 it is 9 of 12, 75 percent.
    expect(
      work({
        method: "pooled",
        keep: DROP(1),
        items: [
          [60, 100],
          [0, 2],
          [9, 10],
        ],
      }),
    ).toEqual(exact(75, 1, 12));
  });

  it("counts gained points in units of a point", () => {
    expect(work({ method: "mean", gain: 20_000, perPoint: 10_000, items: [[50_000, 100_000]] })).toEqual(
      exact(52, 1, 100_000),
    );
  });

  it("says where doubles would no longer be exact", () => {
    const large = 2 ** 52;
    const unsafe = (given: Given) => work(given).safe;
    expect(unsafe({ method: "pooled", items: [[large / 32, large / 16]] })).toBe(false);
    expect(unsafe({ method: "pooled", items: [[large / 256, large / 128]] })).toBe(true);
    // The common denominator of two primes near 2^27 does not fit.
    expect(
      unsafe({
        method: "mean",
        items: [
          [1, 134_217_689],
          [1, 134_217_649],
        ],
      }),
    ).toBe(false);
    expect(
      unsafe({
        method: "mean",
        items: [
          [1, 1_048_573],
          [1, 1_048_571],
        ],
      }),
    ).toBe(true);
    // The shares fit, a hundred times their sum does not.
    expect(unsafe({ method: "best", items: [[large / 32, large / 16]] })).toBe(false);
    expect(unsafe({ method: "mean", gain: large / 4, items: [[1, 97]] })).toBe(false);
    expect(
      unsafe({
        method: "pooled",
        keep: DROP(1),
        items: [
          [2 ** 26, 2 ** 27],
          [2 ** 26 - 1, 2 ** 27],
        ],
      }),
    ).toBe(false);
    expect(
      unsafe({
        method: "pooled",
        keep: DROP(1),
        items: [
          [2 ** 20, 2 ** 21],
          [2 ** 20 - 1, 2 ** 21],
        ],
      }),
    ).toBe(true);
  });
});
