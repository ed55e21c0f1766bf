import { createHash } from "node:crypto";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { brokenLink, chainSum, chainSums, placeOfSeal, sealDigits } from "./chain";

const texts = fc.array(fc.string(), { minLength: 2, maxLength: 12 });
const piece = (list: readonly string[]) => ({ texts: list, sums: chainSums(list), before: "" });

describe("the chain of a journal", () => {
  it("is SHA-256 over the sum before, a line's end, and the text, as the platform's own works it out", () => {
    const sha = (text: string) => createHash("sha256").update(text, "utf8").digest("hex");
    expect(chainSums(["a", "ü"])).toEqual([sha("\na"), sha(`${sha("\na")}\nü`)]);
    expect(chainSum("x", "")).toBe(sha("x\n"));
  });

  it("names the first entry that was changed, taken out, put in or moved, wherever that was", () => {
    fc.assert(
      fc.property(texts, fc.nat(), fc.string(), (list, where, other) => {
        const at = where % list.length;
        const { sums } = piece(list);
        expect(brokenLink(piece(list))).toBeNull();
        fc.pre(other !== list[at]);
        expect(brokenLink({ texts: list.with(at, other), sums, before: "" })).toBe(at);
        const out = list.toSpliced(at, 1);
        expect(brokenLink({ texts: out, sums: sums.toSpliced(at, 1), before: "" })).toBe(at < out.length ? at : null);
        expect(brokenLink({ texts: list.toSpliced(at, 0, other), sums, before: "" })).toBe(at);
        const next = (at + 1) % list.length;
        fc.pre(list[next] !== list[at]);
        const swapped = list.with(at, list[next] ?? "").with(next, list[at] ?? "");
        expect(brokenLink({ texts: swapped, sums, before: "" })).toBe(Math.min(at, next));
      }),
    );
  });

  it("whoever works the later sums out anew gets another seal", () => {
    fc.assert(
      fc.property(texts, fc.nat(), fc.string(), (list, where, other) => {
        const at = where % list.length;
        fc.pre(other !== list[at]);
        const [before, after] = [chainSums(list), chainSums(list.with(at, other))];
        expect(sealDigits(after.at(-1) ?? "")).not.toBe(sealDigits(before.at(-1) ?? ""));
        expect(placeOfSeal(after, sealDigits(before.at(-1) ?? ""))).toBeNull();
        expect(placeOfSeal(before, sealDigits(before[at] ?? "").replaceAll(" ", "-"))).toBe(
          before.indexOf(before[at] ?? "") + 1,
        );
      }),
    );
  });

  it("has a seal of six groups of five digits, worked out by hand for small sums", () => {
    expect(sealDigits("0".repeat(63) + "7")).toBe("00000 00000 00000 00000 00000 00007");
    // 16^25 = 2^100 = 1267650600228229401496703205376; its last thirty digits.
    expect(sealDigits(`1${"0".repeat(25)}`.padStart(64, "0"))).toBe("26765 06002 28229 40149 67032 05376");
    expect(sealDigits("")).toBe("");
    expect(placeOfSeal(["0".repeat(63) + "7"], "7")).toBeNull();
  });
});
