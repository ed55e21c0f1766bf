import { decimal, fromDecimal, ratio, subtract } from "#core/kernel";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { leastReaching, letterOf, passes, reaches } from "../index";

describe("letters (reference round.letter-boundary: a convention of the handbook)", () => {
  const course = (places: number) => ({
    percentPlaces: places,
    lettersCompare: "displayed" as const,
    letters: [
      { letter: "B+", from: decimal("87") },
      { letter: "A", from: decimal("93") },
      { letter: "A-", from: decimal("90") },
      { letter: "pass", from: decimal("60") },
    ],
  });

  it.each([
    ["89.5", 0, "A-"],
    ["89.49", 0, "B+"],
    ["92.5", 0, "A"],
    ["86.5", 0, "B+"],
    ["59.95", 1, "pass"],
    ["89.95", 1, "A-"],
    ["89.94", 1, "B+"],
  ])("%s shown with %i places is %s", (value, places, letter) => {
    expect(letterOf(course(places), fromDecimal(decimal(value)))).toBe(letter);
  });

  it("compared exactly, 59.95 is not 60", () => {
    expect(letterOf({ ...course(1), lettersCompare: "exact" }, fromDecimal(decimal("59.95")))).toBeNull();
  });

  it("the least total that reaches a bound reaches it, and nothing below does", () => {
    const anyBound = fc.integer({ min: 1, max: 1000 }).map((tenths) => decimal(String(tenths / 10)));
    fc.assert(
      fc.property(anyBound, fc.integer({ min: 0, max: 3 }), fc.boolean(), (bound, percentPlaces, displayed) => {
        const rules = { percentPlaces, lettersCompare: displayed ? ("displayed" as const) : ("exact" as const) };
        const least = leastReaching(rules, bound);
        expect(reaches(rules, least, bound)).toBe(true);
        expect(reaches(rules, subtract(least, ratio(1n, 1_000_000n)), bound)).toBe(false);
      }),
    );
  });

  it("the pass mark is compared alike", () => {
    const rules = { percentPlaces: 0, lettersCompare: "displayed" as const, passMark: decimal("50") };
    expect(passes(rules, fromDecimal(decimal("49.5")))).toBe(true);
    expect(passes(rules, fromDecimal(decimal("49.4")))).toBe(false);
  });

  it("are none below the lowest band", () => {
    expect(letterOf(course(1), fromDecimal(decimal("12")))).toBeNull();
  });
});
