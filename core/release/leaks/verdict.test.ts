import { describe, expect, it } from "vitest";
import { closed, decimal, fromDecimal, ratio, whole, type Exact } from "#core/kernel";
import { courseOf } from "#core/model";
import { smallCourse } from "#core/testing";
import { countSteps, verdictOf } from "../index";

const exact = (value: number): Exact => fromDecimal(decimal(String(value)));

describe("verdicts", () => {
  const course = { ...courseOf(smallCourse()), passMark: decimal("60") };
  const between = (low: number, high: number) => closed(exact(low), exact(high));
  const full = between(0, 20);
  it.each([
    ["one possible score", between(14.9, 15.1), 1, "certain"],
    ["a tenth of the points", between(10, 12), 5, "narrow"],
    ["all above the pass mark", between(12, 20), 17, "narrow"],
    ["all below it", between(0, 11.9), 24, "narrow"],
    ["on both sides", between(8, 17), 19, "open"],
    ["nothing learned", full, 41, "open"],
  ])("%s", (_what, interval, possible, verdict) => {
    expect(verdictOf(course, interval, full, whole(20), possible)).toBe(verdict);
  });

  it("inside one letter is narrow, though wide and on one side only by the letter", () => {
    const wide = { ...course, passMark: decimal("0"), letters: [{ letter: "P", from: decimal("0") }] };
    expect(verdictOf(wide, between(1, 15), full, whole(20), 29)).toBe("narrow");
  });

  it("scores on the step are counted with their ends", () => {
    const half = ratio(1n, 2n);
    expect(countSteps(between(1, 2), half)).toBe(3);
    expect(countSteps({ ...between(1, 2), highIncluded: false }, half)).toBe(2);
    expect(countSteps({ ...between(1, 2), lowIncluded: false, highIncluded: false }, half)).toBe(1);
    expect(countSteps(between(1.1, 1.4), half)).toBe(0);
    expect(countSteps(between(-1, 0.2), half)).toBe(3);
  });
});
