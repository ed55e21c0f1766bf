import { add, compare, decimal, fromDecimal, ratio, subtract, toNumber, type Exact } from "#core/kernel";
import type { Category } from "#core/model";
import { reference } from "#core/testing";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { categoryTotal, type Item, type Outlook } from "../index";

const exact = (text: string): Exact => fromDecimal(decimal(text));

const fraction = (value: Exact | null) => value && `${String(value.n)}/${String(value.d)}`;

let count = 0;

/** An item of `value` out of `points`; null is open. */
function item(value: string | null, points: string, more: Partial<Item> = {}): Item {
  return {
    id: `assignment:${String((count += 1))}`,
    points: exact(points),
    value: value === null ? null : exact(value),
    bonus: false,
    alwaysCounts: false,
    standing: value === null ? "open" : "counts",
    ...more,
  };
}

const rule = (
  method: Category["method"] = "pooled",
  keep: Category["keep"] = { kind: "all" },
): Pick<Category, "method" | "keep"> => ({ method, keep });

const percent = (items: readonly Item[], ...how: Parameters<typeof rule>) =>
  fraction(categoryTotal(rule(...how), items, "now").percent);

describe("pooled points", () => {
  it("with bonus, excused and missing work (reference total.points.extra-credit: by hand (45+38+5+0)/(50+40+10))", () => {
    const { expected } = reference<
      unknown,
      { percent: number; earned: number; possible: number; withoutExtra: number; missingLeftOut: number }
    >("total.points.extra-credit");
    const ordinary = [
      item("45", "50"),
      item("38", "40"),
      item(null, "30", { standing: "excused" }),
      item("0", "10", { standing: "missing" }),
    ];
    const total = categoryTotal(rule(), [...ordinary, item("5", "0", { bonus: true })], "now");
    expect(toNumber(total.earned)).toBe(expected.earned);
    expect(toNumber(total.possible)).toBe(expected.possible);
    expect(total.percent && toNumber(total.percent)).toBe(expected.percent);
    expect(percent(ordinary)).toBe(`${String(expected.withoutExtra)}/1`);
    const open = categoryTotal(rule(), [...ordinary.slice(0, 3), item("5", "0", { bonus: true })], "now").percent;
    expect(open && toNumber(open)).toBeCloseTo(expected.missingLeftOut, 12);
  });

  it("are not the mean of percentages (reference total.points-vs-percent: 690/11 against 75)", () => {
    const { expected } = reference<unknown, { pointsFraction: string; meanOfPercent: number }>(
      "total.points-vs-percent",
    );
    const items = [item("9", "10"), item("60", "100")];
    expect(percent(items)).toBe(expected.pointsFraction);
    expect(percent(items, "mean")).toBe(`${String(expected.meanOfPercent)}/1`);
  });

  it("of work that is open come out as 0, not at all, or full", () => {
    const items = [item("15", "20"), item(null, "30")];
    const under = (outlook: "lowest" | "now" | "highest") => fraction(categoryTotal(rule(), items, outlook).percent);
    expect([under("lowest"), under("now"), under("highest")]).toEqual(["30/1", "75/1", "90/1"]);
  });

  it("have no percentage where nothing counts, rather than 0, and say what was left out", () => {
    const none = categoryTotal(rule(), [item(null, "30", { standing: "excused" })], "lowest");
    expect(none.percent).toBeNull();
    expect(none.leftOut.map(({ why }) => why)).toEqual(["excused"]);
    expect(percent([item("2", "0", { bonus: true })])).toBeNull();
  });

  it("leave out what is judged in words and what does not count", () => {
    const items = [
      item("9", "10"),
      item(null, "10", { standing: "wordsOnly" }),
      item("0", "10", { standing: "notCounted" }),
    ];
    expect(percent(items)).toBe("90/1");
  });
});

describe("the other methods", () => {
  const items = [item("9", "10"), item("30", "40"), item("2", "5"), item("6", "10")];

  it("median of an even and of an odd number of percentages: 90 75 40 60", () => {
    expect(percent(items, "median")).toBe("135/2");
    expect(percent(items.slice(0, 3), "median")).toBe("75/1");
  });

  it("best one", () => {
    expect(percent(items, "best")).toBe("90/1");
  });

  it.each(["mean", "median", "best"] as const)("%s adds bonus points as percentage points", (method) => {
    const plain = categoryTotal(rule(method), items, "now").percent;
    const more = categoryTotal(rule(method), [...items, item("3", "5", { bonus: true })], "now").percent;
    expect(plain && more && fraction(subtract(more, plain))).toBe("3/1");
  });

  it("bonus work has no effect when missing, excused or open", () => {
    const idle = (["missing", "excused", "open"] as const).map((standing) =>
      item(standing === "missing" ? "2" : null, "5", { bonus: true, standing }),
    );
    expect(percent([...items, ...idle])).toBe(percent(items));
  });
});

describe("every method", () => {
  const anyItem = fc.record({
    points: fc.integer({ min: 1, max: 20 }),
    share: fc.integer({ min: 0, max: 20 }),
    bonus: fc.boolean(),
    always: fc.boolean(),
    standing: fc.constantFrom("counts", "counts", "counts", "open", "excused"),
  });
  const anyItems = fc.array(anyItem, { minLength: 1, maxLength: 8 });
  const anyKeep = fc.oneof(
    fc.constant({ kind: "all" } as const),
    fc.record({ kind: fc.constantFrom("dropLowest", "keepBest"), count: fc.integer({ min: 1, max: 3 }) }),
  ) as fc.Arbitrary<Category["keep"]>;
  const anyRule = fc.record({
    method: fc.constantFrom("pooled", "mean", "median", "best"),
    keep: anyKeep,
  }) as fc.Arbitrary<Pick<Category, "method" | "keep">>;
  const anyOutlook = fc.constantFrom<Outlook>("lowest", "now", "highest");
  const built = (
    list: readonly { points: number; share: number; bonus: boolean; always: boolean; standing: Item["standing"] }[],
  ) =>
    list.map(({ points, share: part, bonus, always, standing }) => ({
      ...item(standing === "counts" ? "0" : null, String(points), { bonus, alwaysCounts: always, standing }),
      value: standing === "counts" ? ratio(BigInt(points * part), 20n) : null,
    }));

  it("does not depend on the order of the work", () => {
    fc.assert(
      fc.property(anyRule, anyItems, anyOutlook, (how, list, outlook) => {
        const items = built(list);
        const total = categoryTotal(how, items, outlook).percent;
        expect(fraction(categoryTotal(how, [...items].reverse(), outlook).percent)).toBe(fraction(total));
      }),
    );
  });

  it("treats excused work as if it were not there", () => {
    fc.assert(
      fc.property(anyRule, anyItems, anyOutlook, (how, list, outlook) => {
        const items = built(list);
        const without = items.filter(({ standing }) => standing !== "excused");
        expect(fraction(categoryTotal(how, items, outlook).percent)).toBe(
          fraction(categoryTotal(how, without, outlook).percent),
        );
      }),
    );
  });

  it("never falls when a score rises, also with dropping", () => {
    fc.assert(
      fc.property(anyRule, anyItems, fc.nat(7), fc.integer({ min: 0, max: 30 }), (how, list, which, more) => {
        const items = built(list);
        const risen = items.map((one, index) =>
          index === which % items.length && one.value
            ? { ...one, value: add(one.value, ratio(BigInt(more), 4n)) }
            : one,
        );
        const [low, high] = [items, risen].map((all) => categoryTotal(how, all, "now").percent);
        expect(low === null || low === undefined || !high || compare(high, low) >= 0).toBe(true);
      }),
    );
  });

  it("lies between what the lowest and the highest outlook give", () => {
    fc.assert(
      fc.property(anyRule, anyItems, (how, list) => {
        const items = built(list);
        const [low, high] = (["lowest", "highest"] as const).map((o) => categoryTotal(how, items, o).percent);
        expect(!low || !high || compare(low, high) <= 0).toBe(true);
      }),
    );
  });

  it("accounts for every item once: kept, bonus or left out", () => {
    fc.assert(
      fc.property(anyRule, anyItems, anyOutlook, (how, list, outlook) => {
        const items = built(list);
        const { kept, bonus, leftOut } = categoryTotal(how, items, outlook);
        const ids = [...kept, ...bonus, ...leftOut].map(({ item: { id } }) => id);
        expect(ids.sort()).toEqual(items.map(({ id }) => id).sort());
      }),
    );
  });
});
