import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compare, decimal, fromDecimal, ratio, roundToText, toNumber, type Exact, type Id } from "#core/kernel";
import { reference } from "#core/testing";
import { courseTotal, letterOf, poolParts, type Part, type Pool, type Standing } from "./index";

const category = (name: string) => `category:${name}` as Id<"category">;

function part(earned: string | null, possible: string, more: { bonus?: boolean; standing?: Standing } = {}): Part {
  return {
    assignment: { id: "assignment:x" as Id<"assignment">, points: decimal(possible), bonus: more.bonus ?? false },
    figure: {
      standing: more.standing ?? (earned === null ? "expected" : "handedIn"),
      counted: earned === null ? null : fromDecimal(decimal(earned)),
    },
  };
}

const percentOf = (pool: Pool) => pool.percent && `${String(pool.percent.n)}/${String(pool.percent.d)}`;

/** A course total over categories given as percentages. */
function weighted(weights: readonly number[], percents: readonly (number | null)[]): Exact | null {
  const pools = new Map(
    percents.map((percent, index) => {
      const value = percent === null ? null : fromDecimal(decimal(String(percent)));
      const pool: Pool = { earned: value ?? ratio(0n, 1n), possible: ratio(value ? 100n : 0n, 1n), percent: value };
      return [category(String(index)), pool] as const;
    }),
  );
  const categories = weights.map((weight, index) => ({ id: category(String(index)), weight: decimal(String(weight)) }));
  return courseTotal({ totals: "weighted" }, categories, pools);
}

describe("pooled points", () => {
  it("with bonus, excused and missing work (reference total.points.extra-credit: by hand (45+38+5+0)/(50+40+10))", () => {
    const check = reference<unknown, { percent: number; earned: number; possible: number }>(
      "total.points.extra-credit",
    );
    const pool = poolParts(
      [
        part("45", "50"),
        part("38", "40"),
        part("5", "0", { bonus: true }),
        part(null, "30", { standing: "excused" }),
        part("0", "10", { standing: "missing" }),
      ],
      "now",
    );
    expect(toNumber(pool.earned)).toBe(check.expected.earned);
    expect(toNumber(pool.possible)).toBe(check.expected.possible);
    expect(pool.percent && toNumber(pool.percent)).toBe(check.expected.percent);
  });

  it("are not the mean of percentages (reference total.points-vs-percent: 690/11)", () => {
    const check = reference<unknown, { pointsFraction: string }>("total.points-vs-percent");
    expect(percentOf(poolParts([part("9", "10"), part("60", "100")], "now"))).toBe(check.expected.pointsFraction);
  });

  it("of work that is open come out as 0, not at all, or full", () => {
    const parts = [part("15", "20"), part(null, "30")];
    expect(percentOf(poolParts(parts, "lowest"))).toBe("30/1");
    expect(percentOf(poolParts(parts, "now"))).toBe("75/1");
    expect(percentOf(poolParts(parts, "highest"))).toBe("90/1");
  });

  it("have no percentage where nothing counts, rather than 0", () => {
    expect(poolParts([part(null, "30", { standing: "excused" })], "lowest").percent).toBeNull();
    expect(poolParts([part("2", "0", { bonus: true })], "now").percent).toBeNull();
  });

  it("do not depend on the order of the work", () => {
    const one = fc.tuple(fc.integer({ min: 0, max: 20 }), fc.integer({ min: 1, max: 20 }));
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 8 }), (list) => {
        const parts = list.map(([earned, possible]) => part(String(earned), String(possible)));
        expect(percentOf(poolParts([...parts].reverse(), "now"))).toBe(percentOf(poolParts(parts, "now")));
      }),
    );
  });

  it("treat excused work as if it were not there", () => {
    const parts = [part("9", "10"), part("60", "100")];
    const excused = part("3", "50", { standing: "excused" });
    expect(percentOf(poolParts([...parts, excused], "highest"))).toBe(percentOf(poolParts(parts, "highest")));
  });

  it("never fall when a value rises", () => {
    fc.assert(
      fc.property(fc.nat(100), fc.nat(20), fc.nat(50), (value, more, other) => {
        const low = poolParts([part(String(value), "100"), part(String(other), "50")], "now").percent;
        const high = poolParts([part(String(value + more), "100"), part(String(other), "50")], "now").percent;
        expect(low && high && compare(high, low) >= 0).toBe(true);
      }),
    );
  });
});

describe("the course total", () => {
  it("weighs category percentages (reference total.weighted.basic: by hand 16+22.5+45)", () => {
    const check = reference<{ weights: number[]; percent: number[] }, { total: number }>("total.weighted.basic");
    const total = weighted(check.input.weights, check.input.percent);
    expect(total && toNumber(total)).toBe(check.expected.total);
  });

  it("leaves out a category where nothing counts and brings the rest to 100 (reference total.weighted.missing-parts)", () => {
    const check = reference<
      { weights: number[]; percent: (number | null)[] },
      { fraction: string; oneDecimalHalfUp: number }
    >("total.weighted.missing-parts");
    const total = weighted(check.input.weights, check.input.percent);
    expect(total && `${String(total.n)}/${String(total.d)}`).toBe(check.expected.fraction);
    expect(total && Number(roundToText(total, 1))).toBe(check.expected.oneDecimalHalfUp);
  });

  it("is not there while nothing counts", () => {
    expect(weighted([60, 40], [null, null])).toBeNull();
    expect(courseTotal({ totals: "points" }, [], new Map())).toBeNull();
  });

  it("of straight points is all values over all maxima", () => {
    const pools = new Map([
      [category("a"), poolParts([part("9", "10")], "now")],
      [category("b"), poolParts([part("60", "100")], "now")],
    ]);
    const categories = [...pools.keys()].map((id) => ({ id, weight: null }));
    const total = courseTotal({ totals: "points" }, categories, pools);
    expect(total && `${String(total.n)}/${String(total.d)}`).toBe("690/11");
  });

  it("normalises weights that do not come to 100: 30 and 10 weigh as 75 and 25", () => {
    const total = weighted([30, 10], [80, 60]);
    expect(total && toNumber(total)).toBe(75);
  });
});

describe("letters (reference round.letter-boundary: a convention of the handbook)", () => {
  const course = (places: number) => ({
    percentPlaces: places,
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

  it("are none below the lowest band", () => {
    expect(letterOf(course(1), fromDecimal(decimal("12")))).toBeNull();
  });
});
