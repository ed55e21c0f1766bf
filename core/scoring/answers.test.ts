import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decimal, fractionText, fromDecimal, required } from "#core/kernel";
import type { AnswerKey } from "#core/model";
import { runs } from "#core/testing";
import { pointsByKey, readChoice, readingOf, readNumber, shareByKey } from "./answers";

const share = (key: AnswerKey, text: string) => {
  const found = shareByKey(key, text);
  return found && fractionText(found);
};

describe("a number as students write it", () => {
  it.each([
    ["287", "287/1"],
    ["-1,5", "-3/2"],
    ["1 250.5", "2501/2"],
    ["3.2e-4", "1/3125"],
    ["3,2 x 10^-4", "1/3125"],
    ["2×10^3", "2000/1"],
    ["\u22125", "-5/1"],
    [".5", "1/2"],
  ])("%s is %s", (text, fraction) => {
    expect(fractionText(required(readNumber(text), text))).toBe(fraction);
  });

  it.each(["", "about 3", "3 m", "1e99", "--2", "1.2.3", "12 34"])("%s is none", (text) => {
    expect(readNumber(text)).toBeNull();
  });

  it("reads every decimal as it was entered", () => {
    fc.assert(
      fc.property(fc.integer({ min: -99_999_999, max: 99_999_999 }), (tenThousandths) => {
        const text = decimal((tenThousandths / 10_000).toFixed(4));
        expect(readNumber(text)).toEqual(fromDecimal(text));
      }),
    );
  });
});

describe("a key", () => {
  const numeric = (value: string, tolerance: string, toleranceIn: "units" | "percent"): AnswerKey => ({
    kind: "numeric",
    value,
    tolerance,
    toleranceIn,
  });

  it("takes a number within its tolerance, both ends included, and nothing beyond", () => {
    const units = numeric("42", "0.5", "units");
    expect(["42", "41.5", "42,5", "41.49", "42.51"].map((text) => share(units, text))).toEqual([
      "1/1",
      "1/1",
      "1/1",
      "0/1",
      "0/1",
    ]);
    const percent = numeric("-200", "1", "percent");
    expect(["-198", "-202", "-197.9", "200"].map((text) => share(percent, text))).toEqual(["1/1", "1/1", "0/1", "0/1"]);
    expect(share(numeric("7", "", "units"), "7.0")).toBe("1/1");
  });

  it("takes a short text whatever its case and accents", () => {
    const key: AnswerKey = { kind: "short", accepted: ["Rating curve", "Chézy"] };
    expect(["rating CURVE", " chezy ", "rating"].map((text) => share(key, text))).toEqual(["1/1", "1/1", "0/1"]);
  });

  it("takes all right options and no other, or a part of them where that earns a part", () => {
    const whole: AnswerKey = { kind: "choice", options: ["a", "b", "c", "d"], right: [0, 1, 3], partial: false };
    expect(["A, B, D", "dba", "A, B", "A, B, C, D"].map((text) => share(whole, text))).toEqual([
      "1/1",
      "1/1",
      "0/1",
      "0/1",
    ]);
    const part: AnswerKey = { ...whole, partial: true };
    expect(["A, B, D", "A, D", "A, C", "C", "A, B, C, D"].map((text) => share(part, text))).toEqual([
      "1/1",
      "2/3",
      "0/1",
      "0/1",
      "2/3",
    ]);
  });

  it("gives nothing for nothing, and leaves written answers to be judged", () => {
    const keys: AnswerKey[] = [numeric("1", "", "units"), { kind: "short", accepted: ["x"] }, { kind: "written" }];
    expect(keys.map((key) => share(key, "  "))).toEqual(["0/1", "0/1", "0/1"]);
    expect(share({ kind: "written" }, "Because.")).toBeNull();
  });

  it("gives exact thirds of the points", () => {
    const key: AnswerKey = { kind: "choice", options: ["a", "b", "c"], right: [0, 1, 2], partial: true };
    const points = pointsByKey({ key, points: decimal("2") }, "A B");
    expect(points && fractionText(points)).toBe("4/3");
  });

  it("never gives more than all, nor less than nothing", () => {
    const option = fc.integer({ min: 0, max: 5 });
    fc.assert(
      fc.property(
        fc.uniqueArray(option, { minLength: 1 }),
        fc.uniqueArray(option),
        fc.boolean(),
        (right, chosen, partial) => {
          const key: AnswerKey = { kind: "choice", options: ["a", "b", "c", "d", "e", "f"], right, partial };
          const text = chosen.map((place) => String.fromCharCode(65 + place)).join(", ");
          const found = required(shareByKey(key, text), "share");
          expect(found.n >= 0n && found.n <= found.d).toBe(true);
        },
      ),
    );
  });
});

describe("options by their letters", () => {
  it("are read in any writing, each once; a letter that is no option is no answer", () => {
    expect([readChoice("a, C", 4), readChoice("AC", 4), readChoice("B;B", 4), readChoice("E", 4)]).toEqual([
      [0, 2],
      [0, 2],
      [1],
      null,
    ]);
  });
});

describe("equal answers", () => {
  const KEYS: readonly AnswerKey[] = [
    { kind: "numeric", value: "1.5", tolerance: "0.5", toleranceIn: "units" },
    { kind: "choice", options: ["one", "two", "three"], right: [0, 2], partial: true },
    { kind: "short", accepted: ["Weir", "the weir"] },
    { kind: "written" },
  ];

  it.each([
    [0, "1,50", "1.5"],
    [0, "15e-1", " 1.5 "],
    [1, "c, a", "AC"],
    [2, "The  Weir", "the weir"],
    [3, "Because. ", "because."],
  ] as const)("by key %i: %s and %s", (key, a, b) => {
    expect(readingOf(required(KEYS[key], "key"), a)).toBe(readingOf(required(KEYS[key], "key"), b));
  });

  it.each([
    [0, "1.5", "1.51"],
    [1, "A", "B"],
    [2, "weir", "weirs"],
  ] as const)("not by key %i: %s and %s", (key, a, b) => {
    expect(readingOf(required(KEYS[key], "key"), a)).not.toBe(readingOf(required(KEYS[key], "key"), b));
  });

  it("earn the same by the key, whatever they are", () => {
    const anyText = fc.string({ unit: fc.constantFrom(..."012.,-eABC weir"), maxLength: 6 });
    fc.assert(
      fc.property(fc.constantFrom(...KEYS), anyText, anyText, (key, a, b) => {
        if (readingOf(key, a) === readingOf(key, b)) expect(share(key, a)).toBe(share(key, b));
      }),
      { numRuns: runs(2_000) },
    );
  });
});
