import fc from "fast-check";
import Fraction from "fraction.js";
import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import {
  add,
  compare,
  decimal,
  divide,
  fromDecimal,
  isZero,
  larger,
  multiply,
  ratio,
  rounded,
  smaller,
  subtract,
  sum,
  toNumber,
  whole,
  ZERO,
  type Exact,
} from "./index";

const text = ({ n, d }: Exact) => `${String(n)}/${String(d)}`;
const rational = fc
  .tuple(fc.integer({ min: -5000, max: 5000 }), fc.integer({ min: 1, max: 5000 }))
  .map(([n, d]) => ({ ours: ratio(BigInt(n), BigInt(d)), theirs: new Fraction(n, d) }));

describe("exact numbers agree with fraction.js 5.3, a general-purpose library", () => {
  const sameAs = (theirs: Fraction) => `${String(theirs.s * theirs.n)}/${String(theirs.d)}`;

  it("in the four operations", () => {
    fc.assert(
      fc.property(rational, rational, (a, b) => {
        expect(text(add(a.ours, b.ours))).toBe(sameAs(a.theirs.add(b.theirs)));
        expect(text(subtract(a.ours, b.ours))).toBe(sameAs(a.theirs.sub(b.theirs)));
        expect(text(multiply(a.ours, b.ours))).toBe(sameAs(a.theirs.mul(b.theirs)));
        if (!isZero(b.ours)) expect(text(divide(a.ours, b.ours))).toBe(sameAs(a.theirs.div(b.theirs)));
      }),
    );
  });

  it("in comparison", () => {
    fc.assert(
      fc.property(rational, rational, (a, b) => {
        expect(Math.sign(compare(a.ours, b.ours))).toBe(Math.sign(a.theirs.compare(b.theirs)));
      }),
    );
  });
});

describe("exact numbers", () => {
  it("are reduced and carry their sign above the line", () => {
    expect(text(ratio(6n, -8n))).toBe("-3/4");
    expect(text(ratio(0n, -5n))).toBe("0/1");
  });

  it("refuse a denominator of 0, which is a programmer's error", () => {
    expect(() => ratio(1n, 0n)).toThrow(RangeError);
    expect(() => divide(whole(1), ZERO)).toThrow(RangeError);
  });

  it("choose the smaller and the larger", () => {
    const third = ratio(1n, 3n);
    const half = ratio(1n, 2n);
    expect(smaller(third, half)).toBe(third);
    expect(larger(third, half)).toBe(half);
    expect(smaller(half, ratio(2n, 4n))).toBe(half);
  });

  it("give the nearest double for drawing", () => {
    expect(toNumber(ratio(1n, 4n))).toBe(0.25);
  });
});

describe("where doubles go wrong (reference float.pitfalls: IEEE 754-2019 binary64, own numbers)", () => {
  const check = reference<
    { cases: { id: string; naiveJavaScript: string }[] },
    { cases: { id: string; exact?: string; doubleResult?: number }[] }
  >("float.pitfalls");
  const weighted = check.input.cases.filter(({ naiveJavaScript }) => /w=\[/.test(naiveJavaScript));
  const listAfter = (source: string, name: string) =>
    (new RegExp(`${name}=\\[([^\\]]*)\\]`).exec(source)?.[1] ?? "")
      .split(",")
      .map((item) => fromDecimal(decimal(item)));

  it.each(weighted)("$id: the weighted sum is exact", ({ id, naiveJavaScript }) => {
    const [w, m, n] = ["w", "m", "n"].map((name) => listAfter(naiveJavaScript, name)) as [Exact[], Exact[], Exact[]];
    const total = sum(w.map((weight, index) => multiply(weight, divide(m[index] ?? ZERO, n[index] ?? ZERO))));
    const [top = "0", bottom = "1"] = (check.expected.cases.find((item) => item.id === id)?.exact ?? "").split("/");
    expect(text(total)).toBe(text(ratio(BigInt(top), BigInt(bottom))));
  });

  it("half an 89.5 rounds up, and 1.005 rounds to 1.01", () => {
    expect(text(rounded(fromDecimal(decimal("89.5")), 0))).toBe("90/1");
    expect(text(rounded(fromDecimal(decimal("1.005")), 2))).toBe("101/100");
  });

  it("ten tenths are one, and three times 0.6 reach 1.8", () => {
    const tenth = fromDecimal(decimal("0.1"));
    expect(compare(sum(Array.from({ length: 10 }, () => tenth)), whole(1))).toBe(0);
    expect(compare(multiply(whole(3), fromDecimal(decimal("0.6"))), fromDecimal(decimal("1.8")))).toBe(0);
    expect(0.6 + 0.6 + 0.6 >= 1.8).toBe(false); // why doubles decide nothing
  });
});
