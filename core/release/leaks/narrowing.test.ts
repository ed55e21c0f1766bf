import fc from "fast-check";
import solver from "javascript-lp-solver";
import { describe, expect, it } from "vitest";
import {
  closed,
  decimal,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  ratio,
  sum,
  toNumber,
  whole,
  ZERO,
  type Exact,
  type Interval,
} from "#core/kernel";
import { reference, runs } from "#core/testing";
import { capped, categoryTotal, type Item } from "#core/totals";
import { countSteps, displayedInterval, narrow, type Source, type Total } from "../index";

const exact = (value: number): Exact => fromDecimal(decimal(String(value)));
const known = (value: number): Source => ({ kind: "known", value: exact(value) });
const hidden = (id: string): Source => ({ kind: "hidden", id });
const free = (...maxima: [string, number][]) => new Map(maxima.map(([id, most]) => [id, closed(ZERO, exact(most))]));
const shownAs = (value: number, percentPlaces: number) => displayedInterval(exact(value), { percentPlaces });

/** A linear total: the sum of its parts, each with a factor. */
function linear(parts: readonly [Source, Exact][], shown: Interval | null, id = "total"): Total {
  return {
    kind: "total",
    id,
    parts: parts.map(([part]) => part),
    combine: (values) => sum(parts.map(([, factor], place) => multiply(factor, values[place] ?? ZERO))),
    form: "",
    shown,
  };
}
const weights = (list: readonly number[]) => list.map((weight) => divide(exact(weight), HUNDRED));
const outOf = (points: number) => divide(HUNDRED, exact(points));
const text = ({ low, lowIncluded, high, highIncluded }: Interval) =>
  `${lowIncluded ? "[" : "("}${String(toNumber(low))}, ${String(toNumber(high))}${highIncluded ? "]" : ")"}`;
interface Bounds {
  readonly low: number;
  readonly lowIncluded: boolean;
  readonly high: number;
  readonly highIncluded: boolean;
}
const asText = (bounds: Bounds) =>
  `${bounds.lowIncluded ? "[" : "("}${String(bounds.low)}, ${String(bounds.high)}${bounds.highIncluded ? "]" : ")"}`;

// Problem class of all: Cox, L. H. (1980), Suppression methodology and statistical disclosure control, JASA 75, 377-385.
describe("what follows from totals shown", () => {
  const one = (total: Total | readonly Total[], ...maxima: [string, number][]) => {
    const totals = "kind" in total ? [total] : total;
    return narrow(totals, free(...maxima));
  };

  it("a third category behind a whole percentage (reference disclosure.1.weighted-whole)", () => {
    const { input, expected } = reference<{ weights: number[] }, { interval: Bounds }>("disclosure.1.weighted-whole");
    const [a, b, c] = weights(input.weights) as [Exact, Exact, Exact];
    const total = linear(
      [
        [known(85), a],
        [known(78), b],
        [hidden("c"), c],
      ],
      shownAs(81, 0),
    );
    const { intervals, inconsistent } = one(total, ["c", 100]);
    expect(inconsistent).toEqual([]);
    expect(text(intervals.get("c") as Interval)).toBe(asText(expected.interval));
  });

  it("one item behind one decimal (reference disclosure.2.points-one-decimal), one half point possible", () => {
    const { expected } = reference<unknown, { interval: Bounds; halfPoints: number[] }>(
      "disclosure.2.points-one-decimal",
    );
    const total = linear(
      [known(18), known(26), hidden("c")].map((part) => [part, outOf(100)]),
      shownAs(83.5, 1),
    );
    const found = one(total, ["c", 50]).intervals.get("c") as Interval;
    expect(text(found)).toBe(asText(expected.interval));
    expect(countSteps(found, ratio(1n, 2n))).toBe(expected.halfPoints.length);
  });

  it("a second hidden item widens the first but not wholly itself (reference disclosure.3.two-hidden-points)", () => {
    const { expected } = reference<unknown, { item2: Bounds; item3: Bounds }>("disclosure.3.two-hidden-points");
    const total = linear(
      [known(30), hidden("b"), hidden("c")].map((part) => [part, outOf(100)]),
      shownAs(70, 0),
    );
    const { intervals } = one(total, ["b", 20], ["c", 40]);
    expect(text(intervals.get("b") as Interval)).toBe(asText(expected.item2));
    expect(text(intervals.get("c") as Interval)).toBe(asText(expected.item3));
  });

  it("bonus in the numerator, capped or not (reference disclosure.5.extra-credit)", () => {
    const { expected } = reference<unknown, { interval: Bounds; ifCappedAt100Shown100: Bounds }>(
      "disclosure.5.extra-credit",
    );
    const plain = linear(
      [known(96), hidden("extra")].map((part) => [part, outOf(100)]),
      shownAs(104, 0),
    );
    expect(text(one(plain, ["extra", 12]).intervals.get("extra") as Interval)).toBe(asText(expected.interval));
    const cut: Total = {
      ...plain,
      combine: (values) => capped({ capAtHundred: true }, plain.combine(values)),
      shown: shownAs(100, 0),
    };
    expect(text(one(cut, ["extra", 12]).intervals.get("extra") as Interval)).toBe(
      asText(expected.ifCappedAt100Shown100),
    );
  });

  it("the lowest dropped: anything up to where it would be felt (reference disclosure.6.dropped-lowest)", () => {
    const { expected } = reference<unknown, { interval: Bounds }>("disclosure.6.dropped-lowest");
    const item = (value: Exact | null, id: string): Item => ({
      id,
      value,
      points: whole(10),
      bonus: false,
      alwaysCounts: false,
      standing: "counts",
    });
    const total: Total = {
      kind: "total",
      id: "category",
      form: "",
      parts: [known(9), known(7), known(8), hidden("d")],
      combine: (values) =>
        categoryTotal(
          { method: "pooled", keep: { kind: "dropLowest", count: 1 } },
          values.map((value, index) => item(value, String(index))),
          "now",
        ).percent,
      shown: shownAs(80, 1),
    };
    expect(text(one(total, ["d", 10]).intervals.get("d") as Interval)).toBe(asText(expected.interval));
  });

  it("a total seen before and after a change (reference disclosure.7.before-after)", () => {
    const { expected } = reference<unknown, { knowingEarned101: Bounds; fromShownFiguresOnly: Bounds }>(
      "disclosure.7.before-after",
    );
    const after = (rest: Source) =>
      linear(
        [rest, hidden("new")].map((part) => [part, outOf(150)]),
        shownAs(85, 1),
        "after",
      );
    const knowing = one(after(known(101)), ["new", 30]).intervals.get("new") as Interval;
    expect(text(knowing)).toBe(asText(expected.knowingEarned101));
    const before = linear([[hidden("rest"), outOf(120)]], shownAs(84.2, 1), "before");
    const both = one([before, after(hidden("rest"))], ["rest", 120], ["new", 30]).intervals.get("new") as Interval;
    expect(text(both)).toBe(asText(expected.fromShownFiguresOnly));
  });

  it("another person's score from the mean of a group (reference disclosure.9.group-mean)", () => {
    const { expected } = reference<unknown, { n2: Bounds; n5_eachOther: Bounds }>("disclosure.9.group-mean");
    const mean = (others: number, shown: Interval) => {
      const ids = Array.from({ length: others }, (_, index) => `other${String(index)}`);
      const share = ratio(1n, BigInt(others + 1));
      const total = linear(
        [known(81), ...ids.map(hidden)].map((part) => [part, share]),
        shown,
      );
      return one(total, ...ids.map((id): [string, number] => [id, 100])).intervals.get("other0") as Interval;
    };
    expect(text(mean(1, shownAs(74, 0)))).toBe(asText(expected.n2));
    expect(text(mean(4, shownAs(74, 1)))).toBe(asText(expected.n5_eachOther));
  });

  it("parts that cannot give the total are reported, never taken as safe (reference disclosure.11.inconsistent)", () => {
    const { input } = reference<{ weights: number[]; visible: number[] }, unknown>("disclosure.11.inconsistent");
    const [a, b, c] = weights(input.weights) as [Exact, Exact, Exact];
    const total = linear(
      [
        [known(85), a],
        [known(78), b],
        [hidden("c"), c],
      ],
      shownAs(95, 0),
    );
    expect(one(total, ["c", 100]).inconsistent).toEqual(["total"]);
  });

  it("rows and columns of a table give its cells (reference disclosure.14.table-margins)", () => {
    const { expected } = reference<unknown, { allFour: Record<string, number[]> }>("disclosure.14.table-margins");
    const point = (value: number) => closed(exact(value), exact(value));
    const line = (id: string, parts: readonly Source[], value: number) =>
      linear(
        parts.map((part) => [part, whole(1)]),
        point(value),
        id,
      );
    const [a, b, c, d] = ["cell00", "cell01", "cell10", "cell11"].map(hidden) as [Source, Source, Source, Source];
    const all = [
      line("row1", [a, b], 14),
      line("row2", [c, d], 14),
      line("col1", [a, c], 13),
      line("col2", [b, d], 15),
    ];
    const { intervals } = one(all, ["cell00", 10], ["cell01", 10], ["cell10", 10], ["cell11", 10]);
    for (const id of ["cell00", "cell01", "cell10", "cell11"]) {
      const { low, high } = intervals.get(id) as Interval;
      expect([toNumber(low), toNumber(high)]).toEqual(expected.allFour[id]);
    }
    const single = one([line("row1", [a, known(6)], 14)], ["cell00", 10]).intervals.get("cell00") as Interval;
    expect(text(single)).toBe("[8, 8]");
  });

  it("is the same where scores that are alike are worked out once, and where each is worked out by itself", () => {
    const score = fc.record({
      points: fc.constantFrom(10, 20),
      bonus: fc.boolean(),
      half: fc.integer({ min: 0, max: 20 }),
    });
    fc.assert(
      fc.property(
        fc.array(score, { minLength: 2, maxLength: 7 }),
        fc.constantFrom<"pooled" | "mean" | "median" | "best">("pooled", "mean", "median", "best"),
        fc.integer({ min: 0, max: 2 }),
        (scores, method, count) => {
          const items = scores.map(({ points, bonus, half }, at): Item => ({
            id: String(at),
            points: exact(points),
            value: ratio(BigInt(half), 2n),
            bonus,
            alwaysCounts: false,
            standing: "counts",
          }));
          const rule = { method, keep: { kind: "dropLowest", count } } as const;
          const combine = (values: readonly (Exact | null)[]) =>
            categoryTotal(
              rule,
              items.map((item, at) => ({ ...item, value: values[at] ?? null })),
              "now",
            ).percent;
          const percent = combine(items.map(({ value }) => value));
          if (!percent) return;
          const found = (alike: boolean) =>
            narrow(
              [
                {
                  kind: "total",
                  id: "total",
                  form: "",
                  combine,
                  parts: items.map(({ id, points, bonus }) => ({
                    kind: "hidden",
                    id,
                    ...(alike && { like: `${String(toNumber(points))} ${String(bonus)}` }),
                  })),
                  shown: displayedInterval(percent, { percentPlaces: 1 }),
                },
              ],
              free(...items.map(({ id, points }): [string, number] => [id, toNumber(points)])),
            );
          expect(found(true)).toEqual(found(false));
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it("agrees with a linear programming library on any linear tree of totals (javascript-lp-solver 1.0.3)", () => {
    const group = fc.array(
      fc.record({ maximum: fc.integer({ min: 4, max: 30 }), share: fc.integer({ min: 0, max: 4 }) }),
      {
        minLength: 1,
        maxLength: 3,
      },
    );
    fc.assert(
      fc.property(
        fc.array(group, { minLength: 1, maxLength: 3 }),
        fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
        (groups, seen) => {
          const scores = groups.map((list) => list.map(({ maximum, share }) => (maximum * share) / 4));
          const value = (list: readonly number[]) => sum(list.map(exact));
          const grand = value(scores.flat());
          const children = groups.map((list, at): Total => {
            const parts = list.map((_, place): [Source, Exact] => [hidden(`${String(at)}.${String(place)}`), whole(1)]);
            return linear(
              parts,
              seen[at] ? displayedInterval(value(scores[at] ?? []), { percentPlaces: 0 }) : null,
              `group${String(at)}`,
            );
          });
          const root = linear(
            children.map((child) => [child, whole(1)]),
            displayedInterval(grand, { percentPlaces: 0 }),
            "grand",
          );
          const maxima = groups.flatMap((list, at) =>
            list.map(({ maximum }, place): [string, number] => [`${String(at)}.${String(place)}`, maximum]),
          );
          const { intervals } = narrow([root], free(...maxima));
          for (const [id] of maxima) {
            for (const end of ["low", "high"] as const) {
              const constraints: Record<string, { min?: number; max?: number }> = {};
              const variables: Record<string, Record<string, number>> = {};
              const bound = (name: string, shown: Interval | null) => {
                if (shown) constraints[name] = { min: toNumber(shown.low), max: toNumber(shown.high) };
              };
              bound("grand", root.shown);
              children.forEach((child) => {
                bound(child.id, child.shown);
              });
              for (const [name, maximum] of maxima) {
                constraints[`most${name}`] = { max: maximum };
                variables[name] = {
                  grand: 1,
                  [`group${name.split(".")[0] ?? ""}`]: 1,
                  [`most${name}`]: 1,
                  goal: name === id ? 1 : 0,
                };
              }
              const solved = solver.Solve({
                optimize: "goal",
                opType: end === "low" ? "min" : "max",
                constraints,
                variables,
              }) as { result?: number };
              expect(toNumber((intervals.get(id) as Interval)[end])).toBeCloseTo(solved.result ?? 0, 6);
            }
          }
        },
      ),
      { numRuns: runs(60) },
    );
  });
});
