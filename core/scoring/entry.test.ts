import { describe, expect, it } from "vitest";
import { decimal } from "#core/kernel";
import { checkScore, parseEntry } from "./index";

describe("the entry language", () => {
  it.each([
    ["18", { kind: "score", points: "18", unitsLate: null }],
    ["17,5", { kind: "score", points: "17.5", unitsLate: null }],
    ["18 l2", { kind: "score", points: "18", unitsLate: 2 }],
    ["18l2", { kind: "score", points: "18", unitsLate: 2 }],
    ["18 L 2", { kind: "score", points: "18", unitsLate: 2 }],
    ["18 l0", { kind: "score", points: "18", unitsLate: 0 }],
    ["l3", { kind: "late", unitsLate: 3 }],
    ["m", { kind: "missing" }],
    [" X ", { kind: "excused" }],
    ["-", { kind: "clear" }],
    ["", { kind: "clear" }],
    ["-3", { kind: "score", points: "-3", unitsLate: null }],
  ])("%j is %j", (typed, entry) => {
    expect(parseEntry(typed)).toEqual({ ok: true, value: entry });
  });

  it.each([
    ["abc", "entry_not_understood"],
    ["mm", "entry_not_understood"],
    ["1e9", "not_a_number"],
    ["12.34567", "too_many_places"],
    ["9999999999", "too_large"],
    ["18 l", "late_units_not_whole"],
    ["18 l1.5", "late_units_not_whole"],
    ["18 l-1", "late_units_not_whole"],
    ["18 l1000", "late_units_not_whole"],
  ])("%j is refused as %s", (typed, code) => {
    expect(parseEntry(typed)).toMatchObject({ ok: false, issue: { code } });
  });
});

describe("the limits of a score", () => {
  const quiz = { scoredIn: { kind: "points" } as const, points: decimal("20"), aboveAllowed: false, bonus: false };

  it("are 0 and the maximum, both allowed", () => {
    expect(checkScore(decimal("0"), quiz, false).ok).toBe(true);
    expect(checkScore(decimal("20"), quiz, false).ok).toBe(true);
    expect(checkScore(decimal("-0.5"), quiz, true)).toMatchObject({ ok: false, issue: { code: "score_below_zero" } });
  });

  it("above the maximum a score is asked once, and says the maximum", () => {
    expect(checkScore(decimal("20.5"), quiz, false)).toMatchObject({
      ok: false,
      issue: { code: "score_above_maximum", maximum: "20", canConfirm: true },
    });
    expect(checkScore(decimal("20.5"), quiz, true).ok).toBe(true);
  });

  it("are open above where the assignment allows it, and for bonus work of 0 points", () => {
    expect(checkScore(decimal("25"), { ...quiz, aboveAllowed: true }, false).ok).toBe(true);
    expect(checkScore(decimal("3"), { ...quiz, points: decimal("0"), bonus: true }, false).ok).toBe(true);
    expect(checkScore(decimal("3"), { ...quiz, points: decimal("2"), bonus: true }, false).ok).toBe(false);
  });
});
