import { describe, expect, it } from "vitest";
import { contains, decimal, fromDecimal, toNumber, type Exact, type Interval } from "#core/kernel";
import { courseOf } from "#core/model";
import { smallCourse } from "#core/testing";
import { displayedInterval, letterInterval } from "./index";

const exact = (value: number): Exact => fromDecimal(decimal(String(value)));
const text = ({ low, lowIncluded, high, highIncluded }: Interval) =>
  `${lowIncluded ? "[" : "("}${String(toNumber(low))}, ${String(toNumber(high))}${highIncluded ? "]" : ")"}`;

describe("what a shown figure tells", () => {
  const course = { ...courseOf(smallCourse()), passMark: decimal("60") };

  it("a letter tells its band: B from 80 as displayed is 79.95 up to 89.95", () => {
    const interval = letterInterval(exact(85), { ...course, lettersCompare: "displayed" });
    expect(text(interval)).toBe("[79.95, 89.95)");
    expect(contains(letterInterval(exact(97), course), exact(140))).toBe(true);
  });

  it("what is displayed as 0 or below 0 is rounded away from zero", () => {
    expect(text(displayedInterval(exact(0.02), { percentPlaces: 1 }))).toBe("(-0.05, 0.05)");
    expect(text(displayedInterval(exact(-1.05), { percentPlaces: 1 }))).toBe("(-1.15, -1.05]");
  });
});
