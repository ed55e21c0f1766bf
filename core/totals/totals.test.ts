import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  add,
  compare,
  decimal,
  fromDecimal,
  ratio,
  roundToText,
  subtract,
  toNumber,
  type Decimal,
  type Exact,
} from "#core/kernel";
import type { Category } from "#core/model";
import { reference } from "#core/testing";
import {
  capped,
  categoryTotal,
  leastReaching,
  letterOf,
  overTerms,
  passes,
  reaches,
  termTotal,
  type CategoryTotal,
  type Item,
  type Outlook,
} from "./index";

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

/** A category that came to a percentage, worth 100 points. */
const cameTo = (value: number | null): CategoryTotal =>
  categoryTotal(rule(), value === null ? [] : [item(String(value), "100")], "now");
const share = (weight: string | null, total: CategoryTotal, bonus = false) => ({
  category: { id: `category:${String((count += 1))}`, weight: weight as Decimal | null, bonus },
  total,
});
const WEIGHTED = { totals: "weighted", emptyCategories: "leftOut" } as const;
const POINTS = { totals: "points", emptyCategories: "leftOut" } as const;

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

describe("the course total", () => {
  const weighted = (weights: readonly number[], percents: readonly (number | null)[]) =>
    termTotal(
      WEIGHTED,
      weights.map((weight, index) => share(String(weight), cameTo(percents[index] ?? null))),
    ).percent;

  it("weighs category percentages (reference total.weighted.basic: by hand 16+22.5+45)", () => {
    const check = reference<{ weights: number[]; percent: number[] }, { total: number }>("total.weighted.basic");
    const total = weighted(check.input.weights, check.input.percent);
    expect(total && toNumber(total)).toBe(check.expected.total);
  });

  it("leaves out a category where nothing counts, or takes it as 0 (reference total.weighted.missing-parts)", () => {
    const check = reference<
      { weights: number[]; percent: (number | null)[] },
      { fraction: string; oneDecimalHalfUp: number; ifCountedAsZero: number }
    >("total.weighted.missing-parts");
    const total = weighted(check.input.weights, check.input.percent);
    expect(fraction(total)).toBe(check.expected.fraction);
    expect(total && Number(roundToText(total, 1))).toBe(check.expected.oneDecimalHalfUp);
    const shares = check.input.weights.map((w, index) => share(String(w), cameTo(check.input.percent[index] ?? null)));
    const asZero = termTotal({ ...WEIGHTED, emptyCategories: "zero" }, shares);
    expect(fraction(asZero.percent)).toBe(`${String(check.expected.ifCountedAsZero)}/1`);
    expect(termTotal(WEIGHTED, shares).leftOut.map(({ why }) => why)).toEqual(["empty"]);
  });

  it("takes a bonus category on top, capped or not (reference total.weighted.extra-credit)", () => {
    const { input, expected } = reference<
      { weights: number[]; percent: number[]; extra: { weight: number; percent: number } },
      { uncapped: number; capped: number; withoutExtra: number }
    >("total.weighted.extra-credit");
    const base = input.weights.map((w, index) => share(String(w), cameTo(input.percent[index] ?? null)));
    const total = termTotal(WEIGHTED, [...base, share(String(input.extra.weight), cameTo(input.extra.percent), true)]);
    expect(total.percent && toNumber(total.percent)).toBe(expected.uncapped);
    expect(capped({ capAtHundred: true }, total.percent)).toEqual(exact(String(expected.capped)));
    expect(capped({ capAtHundred: false }, total.percent)).toBe(total.percent);
    const without = termTotal(WEIGHTED, base).percent;
    expect(without && toNumber(without)).toBe(expected.withoutExtra);
  });

  it("an empty bonus category has no effect, also where empty ones count as 0", () => {
    const base = share("50", cameTo(70));
    const total = termTotal({ ...WEIGHTED, emptyCategories: "zero" }, [base, share("5", cameTo(null), true)]);
    expect(fraction(total.percent)).toBe("70/1");
    expect(total.leftOut.map(({ why }) => why)).toEqual(["noEffect"]);
  });

  it("is not there while nothing counts, also where empty categories count 0: a term not begun is no 0 %", () => {
    const zero = { ...WEIGHTED, emptyCategories: "zero" } as const;
    const empty = [share("60", cameTo(null)), share("40", cameTo(null))];
    expect(termTotal(zero, empty).percent).toBeNull();
    expect(termTotal(zero, [...empty, share("5", cameTo(100), true)]).percent).toBeNull();
    expect(termTotal(zero, [share("60", cameTo(50)), share("40", cameTo(null))]).percent).toEqual(exact("30"));
    expect(weighted([60, 40], [null, null])).toBeNull();
    expect(termTotal(POINTS, []).percent).toBeNull();
    expect(termTotal(WEIGHTED, [share(null, cameTo(50))]).percent).toBeNull();
  });

  it("of straight points is all values over all maxima, bonus in the numerator only", () => {
    const shares = [[item("9", "10")], [item("60", "100")]].map((items) =>
      share(null, categoryTotal(rule(), items, "now")),
    );
    expect(fraction(termTotal(POINTS, shares).percent)).toBe("690/11");
    const bonus = share(null, categoryTotal(rule(), [item("5", "5")], "now"), true);
    expect(fraction(termTotal(POINTS, [...shares, bonus]).percent)).toBe("740/11");
  });

  it("normalises weights that do not come to 100: 30 and 10 weigh as 75 and 25", () => {
    const total = weighted([30, 10], [80, 60]);
    expect(total && toNumber(total)).toBe(75);
  });

  it("over terms is weighted over those with anything counted: 2 x 80 and 1 x 50 are 70", () => {
    const term = (weight: string, value: string | null) => ({
      id: weight,
      weight: decimal(weight),
      percent: value === null ? null : exact(value),
    });
    expect(fraction(overTerms([term("2", "80"), term("1", "50"), term("3", null)]))).toBe("70/1");
    expect(overTerms([term("1", null)])).toBeNull();
    expect(overTerms([term("0", "50")])).toBeNull();
  });
});

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
