import fc from "fast-check";
import Fraction from "fraction.js";
import { describe, expect, it } from "vitest";
import { compare, divide, ratio, sum, whole, ZERO, type Exact } from "#core/kernel";
import { reference, runs } from "#core/testing";
import { categoryTotal, dropFromPool, dropLowestPercents, staying, type Item } from "../index";

interface Case {
  readonly earned: readonly number[];
  readonly possible: readonly number[];
  readonly drop: number;
}
const droppables = ({ earned, possible }: Pick<Case, "earned" | "possible">) =>
  earned.map((value, index) => ({ value: whole(value), points: whole(possible[index] ?? 1) }));
const BARE = { earned: ZERO, possible: ZERO };
const fraction = (value: Exact) => `${String(value.n)}/${String(value.d)}`;

/** The ratio of what stays. */
function ratioWithout(items: ReturnType<typeof droppables>, dropped: ReadonlySet<number>, beside = BARE): Exact {
  const kept = items.filter((_, index) => !dropped.has(index));
  const possible = sum([beside.possible, ...kept.map(({ points }) => points)]);
  return divide(sum([beside.earned, ...kept.map(({ value }) => value)]), possible);
}

/** The best ratio of all sets of a size, by trying them all with another library's fractions. */
function bruteForce(earned: readonly number[], possible: readonly number[], drop: number, gain = 0): Fraction {
  let best: Fraction | null = null;
  for (let mask = 0; mask < 1 << earned.length; mask += 1) {
    const kept = earned.map((_, index) => index).filter((index) => !(mask & (1 << index)));
    if (kept.length !== earned.length - drop) continue;
    const top = kept.reduce((total, index) => total + (earned[index] ?? 0), gain);
    const bottom = kept.reduce((total, index) => total + (possible[index] ?? 0), 0);
    const value = new Fraction(top, bottom);
    if (!best || value.compare(best) > 0) best = value;
  }
  return best ?? new Fraction(0);
}

/** Every choice of so many members of a list. */
const subsets = (list: readonly number[], size: number): number[][] =>
  Array.from({ length: 1 << list.length }, (_, mask) => list.filter((_one, index) => mask & (1 << index))).filter(
    (kept) => kept.length === size,
  );

describe("dropping from pooled points (Kane & Kane 2006, Dropping lowest grades, Mathematics Magazine 79(3))", () => {
  it("finds what lowest percent, lowest points and most points lost all miss (reference drop.kane.heuristics-fail)", () => {
    const { input, expected } = reference<
      Case,
      { best: string; optimalDropSets: number[][]; byLowestPercent: { result: string } }
    >("drop.kane.heuristics-fail");
    const items = droppables(input);
    const dropped = dropFromPool(items, items.length - input.drop, BARE);
    expect([...dropped]).toEqual(expected.optimalDropSets[0]);
    expect(fraction(ratioWithout(items, dropped))).toBe(expected.best);
    const byPercent = dropLowestPercents(items, items.length - input.drop);
    expect(fraction(ratioWithout(items, byPercent))).toBe(expected.byLowestPercent.result);
  });

  it("with equal points drops the lowest (reference drop.equal-points)", () => {
    const { input, expected } = reference<Case, { best: string; optimalDropSets: number[][] }>("drop.equal-points");
    const items = droppables(input);
    const dropped = dropFromPool(items, items.length - input.drop, BARE);
    expect([...dropped].sort()).toEqual(expected.optimalDropSets[0]);
    expect(fraction(ratioWithout(items, dropped))).toBe(expected.best);
  });

  const table = reference<{ cases: Case[] }, { results: { best: string; optimalDropSets: number[][] }[] }>(
    "drop.table40",
  );
  it.each(table.input.cases.map((one, index) => ({ ...one, index })))("table of forty, case $index", (one) => {
    const expected = table.expected.results[one.index];
    const items = droppables(one);
    const dropped = dropFromPool(items, items.length - one.drop, BARE);
    expect(new Fraction(fraction(ratioWithout(items, dropped))).equals(expected?.best ?? "")).toBe(true);
    expect(expected?.optimalDropSets).toContainEqual([...dropped].sort((a, b) => a - b));
  });

  it("agrees with trying every set, up to 12 items, with bonus beside them", () => {
    const one = fc.tuple(fc.integer({ min: 0, max: 30 }), fc.constantFrom(1, 5, 8, 12, 20, 25, 30));
    fc.assert(
      fc.property(fc.array(one, { minLength: 2, maxLength: 12 }), fc.nat(11), fc.nat(9), (list, wish, gain) => {
        const earned = list.map(([value, points]) => Math.min(value, points + 3));
        const possible = list.map(([, points]) => points);
        const drop = wish % list.length;
        const beside = { earned: whole(gain), possible: ZERO };
        const items = droppables({ earned, possible });
        const ours = ratioWithout(items, dropFromPool(items, list.length - drop, beside), beside);
        expect(bruteForce(earned, possible, drop, gain).equals(fraction(ours))).toBe(true);
      }),
      { numRuns: runs(150) },
    );
  });

  it("out of equal points agrees with trying every set, whatever always counts beside them", () => {
    const score = fc.integer({ min: 0, max: 12 });
    fc.assert(
      fc.property(fc.array(score, { minLength: 2, maxLength: 9 }), fc.nat(8), score, (earned, wish, fixed) => {
        const possible = earned.map(() => 10);
        const drop = wish % earned.length;
        const dropped = dropFromPool(droppables({ earned, possible }), earned.length - drop, {
          earned: whole(fixed),
          possible: whole(7),
        });
        const most = Math.max(...subsets(earned, earned.length - drop).map((kept) => kept.reduce((a, b) => a + b, 0)));
        const left = earned.filter((_, index) => !dropped.has(index));
        expect(left.reduce((a, b) => a + b, 0)).toBe(most);
        expect(left).toHaveLength(earned.length - drop);
      }),
      { numRuns: runs(100) },
    );
  });

  it("beside items that always count, drops what is best for the whole category", () => {
    // 5 of 10 stays; of 9/30 and 1/5 the small one hurts less: 14/40 against 6/15.
    const items = droppables({ earned: [9, 1], possible: [30, 5] });
    expect([...dropFromPool(items, 1, { earned: whole(5), possible: whole(10) })]).toEqual([0]);
  });

  it("of equally good sets drops the earlier due", () => {
    expect([...dropFromPool(droppables({ earned: [5, 5, 5], possible: [10, 10, 10] }), 2, BARE)]).toEqual([0]);
    expect([...dropLowestPercents(droppables({ earned: [5, 5, 10], possible: [10, 10, 20] }), 2)]).toEqual([0]);
  });
});

describe("dropping from a mean of percentages", () => {
  it("drops the lowest percentage (reference drop.mean-of-percent)", () => {
    const { input, expected } = reference<Case, { dropIndex: number; fraction: string }>("drop.mean-of-percent");
    const items = input.earned.map((value, index): Item => ({
      id: String(index),
      value: whole(value),
      points: whole(input.possible[index] ?? 1),
      bonus: false,
      alwaysCounts: false,
      standing: "counts",
    }));
    const total = categoryTotal({ method: "mean", keep: { kind: "dropLowest", count: input.drop } }, items, "now");
    expect(total.leftOut.map(({ item }) => Number(item.id))).toEqual([expected.dropIndex]);
    expect(total.percent && fraction(divide(total.percent, whole(100)))).toBe(expected.fraction);
  });
});

describe("the edges of dropping (reference drop.edge: a convention of the handbook)", () => {
  const item = (id: string, value: number | null, points: number, more: Partial<Item> = {}): Item => ({
    id,
    value: value === null ? null : whole(value),
    points: whole(points),
    bonus: false,
    alwaysCounts: false,
    standing: value === null ? "open" : "counts",
    ...more,
  });
  const dropOne = { method: "pooled", keep: { kind: "dropLowest", count: 1 } } as const;
  const droppedIds = (items: readonly Item[], rule: Parameters<typeof categoryTotal>[0] = dropOne) =>
    categoryTotal(rule, items, "now")
      .leftOut.filter(({ why }) => why === "dropped")
      .map(({ item: { id } }) => id);

  it.each([
    [{ kind: "all" } as const, 5, 0, 5],
    [{ kind: "dropLowest", count: 2 } as const, 5, 0, 3],
    [{ kind: "dropLowest", count: 9 } as const, 5, 0, 1],
    [{ kind: "dropLowest", count: 9 } as const, 5, 1, 0],
    [{ kind: "keepBest", count: 3 } as const, 5, 0, 3],
    [{ kind: "keepBest", count: 9 } as const, 5, 0, 5],
    [{ kind: "dropLowest", count: 1 } as const, 0, 0, 0],
  ])("%j of %i, beside %i: %i stay", (keep, count, beside, stay) => {
    expect(staying(keep, count, beside)).toBe(stay);
  });

  it("work of 0 points stays outside and is added to the numerator afterwards", () => {
    const items = [item("a", 4, 10), item("b", 9, 10), item("extra", 2, 0)];
    expect(droppedIds(items)).toEqual(["a"]);
    expect(categoryTotal(dropOne, items, "now").percent).toEqual(whole(110));
  });

  it("excused work does not use up a drop, and missing work that counts 0 is dropped first", () => {
    const items = [
      item("excused", null, 10, { standing: "excused" }),
      item("missing", 0, 10, { standing: "missing" }),
      item("low", 3, 10),
      item("high", 9, 10),
    ];
    expect(droppedIds(items)).toEqual(["missing"]);
  });

  it("bonus work and work that always counts are never dropped", () => {
    const items = [item("exam", 0, 10, { alwaysCounts: true }), item("bonus", 0, 5, { bonus: true }), item("a", 5, 10)];
    expect(droppedIds([...items, item("b", 9, 10)])).toEqual(["a"]);
  });

  it("keeps the best two of four", () => {
    const items = [item("a", 4, 10), item("b", 9, 10), item("c", 7, 10), item("d", 1, 10)];
    expect(droppedIds(items, { method: "mean", keep: { kind: "keepBest", count: 2 } })).toEqual(["a", "d"]);
  });

  it("no set that could have been dropped gives more", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(10), fc.integer({ min: 1, max: 10 })), { minLength: 2, maxLength: 7 }),
        (list) => {
          const items = list.map(([value, points]) => ({ value: ratio(BigInt(value), 2n), points: whole(points) }));
          const best = ratioWithout(items, dropFromPool(items, items.length - 1, BARE));
          items.forEach((_, index) => {
            expect(compare(ratioWithout(items, new Set([index])), best)).toBeLessThanOrEqual(0);
          });
        },
      ),
    );
  });
});
