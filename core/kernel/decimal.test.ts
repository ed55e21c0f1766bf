import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import {
  decimal,
  fromDecimal,
  isDecimal,
  parseDecimal,
  pointsText,
  ratio,
  readPoints,
  roundToText,
  sameValue,
} from "./index";

describe("a figure as it is typed", () => {
  it.each([
    ["17", "17"],
    ["17.50", "17.5"],
    ["17,5", "17.5"],
    [" .5 ", "0.5"],
    ["+3", "3"],
    ["007", "7"],
    ["-2", "-2"],
    ["-0", "0"],
    ["-0.0", "0"],
    ["12.3456", "12.3456"],
    ["12.34560", "12.3456"],
    ["5.", "5"],
  ])("%s is kept as %s", (typed, kept) => {
    expect(parseDecimal(typed)).toEqual({ ok: true, value: kept });
  });

  it.each([
    ["abc", "not_a_number"],
    ["", "not_a_number"],
    [".", "not_a_number"],
    ["1e9", "not_a_number"],
    ["1,234.5", "not_a_number"],
    ["NaN", "not_a_number"],
    ["Infinity", "not_a_number"],
    ["0x10", "not_a_number"],
    ["1 2", "not_a_number"],
    ["12.34567", "too_many_places"],
    ["1234567890", "too_large"],
  ])("%s is refused as %s", (typed, code) => {
    expect(parseDecimal(typed)).toMatchObject({ ok: false, issue: { code } });
  });

  it("written in the program must be right", () => {
    expect(() => decimal("1e9")).toThrow(RangeError);
  });

  it("is canonical only in one spelling", () => {
    expect(isDecimal("17.5")).toBe(true);
    expect(isDecimal("17.50")).toBe(false);
    expect(isDecimal("x")).toBe(false);
  });

  it("comes back from points text unchanged", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -99_999_999, max: 99_999_999 }),
        fc.integer({ min: 0, max: 4 }),
        (digits, places) => {
          const value = decimal((digits / 10 ** places).toFixed(places));
          expect(pointsText(fromDecimal(value))).toBe(value);
        },
      ),
    );
  });
});

describe("rounding once, half away from zero (reference round.modes: IEEE 754-2019 section 4.3, own list)", () => {
  const check = reference<{ values: string[] }, { halfUp0: number[]; halfUp1: number[] }>("round.modes");
  const roundText = (value: string, places: number) => {
    const [digits = "", fraction = ""] = value.split(".");
    return roundToText(ratio(BigInt(digits + fraction), 10n ** BigInt(fraction.length)), places);
  };

  it.each(check.input.values.map((value, index) => [value, check.expected.halfUp0[index]] as const))(
    "%s to a whole number is %s",
    (value, expected) => {
      expect(Number(roundText(value, 0))).toBe(expected);
    },
  );

  it.each(check.input.values.map((value, index) => [value, check.expected.halfUp1[index]] as const))(
    "%s to one place is %s",
    (value, expected) => {
      expect(Number(roundText(value, 1))).toBe(expected);
    },
  );

  it("shows as many places as asked, and never a minus before nothing", () => {
    expect(roundToText(ratio(1n, 3n), 3)).toBe("0.333");
    expect(roundToText(ratio(-1n, 3000n), 2)).toBe("0.00");
    expect(roundToText(ratio(5n, 1n), 0)).toBe("5");
  });
});

describe("equality of plain values", () => {
  it.each([
    [{ a: 1, b: [1, { c: null }] }, { b: [1, { c: null }], a: 1 }, true],
    [{ a: 1 }, { a: 1, b: undefined }, false],
    [[1, 2], [2, 1], false],
    [[], {}, false],
    [null, {}, false],
    ["1", 1, false],
    [Number.NaN, Number.NaN, true],
  ])("%j and %j: %s", (a, b, expected) => {
    expect(sameValue(a, b)).toBe(expected);
  });
});

describe("points as a student reads them", () => {
  it("stay as entered up to two places; what a rule made longer is rounded to the course's places", () => {
    const read = (n: bigint, d: bigint, places: number) => readPoints(ratio(n, d), places);
    expect(read(1725n, 100n, 1)).toBe("17.25");
    expect(read(131034n, 10000n, 1)).toBe("13.1");
    expect(read(131034n, 10000n, 2)).toBe("13.1");
    expect(read(40n, 3n, 2)).toBe("13.33");
    expect(read(40n, 3n, 0)).toBe("13");
    expect(read(12999n, 1000n, 1)).toBe("13");
  });
});
