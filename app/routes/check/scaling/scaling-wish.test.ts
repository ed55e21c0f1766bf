import { describe, expect, it } from "vitest";
import { decimal, fromDecimal, required } from "#core/kernel";
import { assignmentId, smallCourse } from "#core/testing";
import { firstWish, readWish, scalingOf, SCALING_WAYS } from "./scaling-wish";

const quiz = required(smallCourse().assignments[assignmentId("quiz")], "quiz");
const given = ["8", "12", "16"].map((points) => fromDecimal(decimal(points)));
const wish = firstWish(quiz);

describe("a scaling that is wished for", () => {
  it("begins with what is in force", () => {
    expect(wish.way).toBe("none");
    expect(firstWish({ ...quiz, scaling: { kind: "add", points: decimal("3") } })).toMatchObject({
      way: "add",
      points: "3",
    });
    expect(firstWish({ ...quiz, scaling: { kind: "squareRoot" } }).way).toBe("squareRoot");
    const line = { kind: "linear", x1: decimal("1"), y1: decimal("2"), x2: decimal("3"), y2: decimal("4") } as const;
    expect(firstWish({ ...quiz, scaling: line })).toMatchObject({ way: "linear", x1: "1", y1: "2", x2: "3", y2: "4" });
  });

  it("lifts the highest of 16 to the maximum of 20, by adding 4 or along a line from nought", () => {
    expect(scalingOf({ ...wish, way: "top" }, quiz, given)).toEqual({ ok: true, value: { kind: "add", points: "4" } });
    expect(scalingOf({ ...wish, way: "factor" }, quiz, given)).toEqual({
      ok: true,
      value: { kind: "linear", x1: "0", y1: "0", x2: "16", y2: "20" },
    });
  });

  it("says what is wrong: no score, no spread, a line that falls", () => {
    expect(scalingOf({ ...wish, way: "top" }, quiz, [])).toMatchObject({
      ok: false,
      issue: { code: "nothing_to_scale" },
    });
    expect(scalingOf({ ...wish, way: "tScore" }, quiz, given.slice(0, 1))).toMatchObject({
      ok: false,
      issue: { code: "no_spread" },
    });
    const falling = {
      ...wish,
      way: "linear",
      x1: decimal("0"),
      y1: decimal("10"),
      x2: decimal("20"),
      y2: decimal("0"),
    } as const;
    expect(scalingOf(falling, quiz, given)).toMatchObject({ ok: false, issue: { code: "falling_line" } });
  });

  it("adds nothing where 0 is added, and reads a draft of every way but nothing else", () => {
    expect(scalingOf({ ...wish, way: "add", points: decimal("0") }, quiz, given)).toEqual({ ok: true, value: null });
    for (const [way] of SCALING_WAYS) expect(readWish({ ...wish, way })).toEqual({ ...wish, way });
    expect([readWish(null), readWish({ ...wish, way: "other" }), readWish({ ...wish, x1: "abc" })]).toEqual([
      null,
      null,
      null,
    ]);
  });
});
