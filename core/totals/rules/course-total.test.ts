import { decimal, fromDecimal, roundToText, toNumber, type Decimal, type Exact } from "#core/kernel";
import type { Category } from "#core/model";
import { reference } from "#core/testing";
import { describe, expect, it } from "vitest";
import { capped, categoryTotal, overTerms, termTotal, type CategoryTotal, type Item } from "../index";

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

/** A category that came to a percentage, worth 100 points. */
const cameTo = (value: number | null): CategoryTotal =>
  categoryTotal(rule(), value === null ? [] : [item(String(value), "100")], "now");

const share = (weight: string | null, total: CategoryTotal, bonus = false) => ({
  category: { id: `category:${String((count += 1))}`, weight: weight as Decimal | null, bonus },
  total,
});

const WEIGHTED = { totals: "weighted", emptyCategories: "leftOut" } as const;

const POINTS = { totals: "points", emptyCategories: "leftOut" } as const;

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
