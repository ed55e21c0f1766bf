import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { differencesOf, type Stretch } from "./differences";

const cut = (text: string, { start, end }: Stretch) => [...text].slice(start, end).join("");
const without = (text: string, stretches: readonly Stretch[]) =>
  [...text]
    .map((letter, at) => (stretches.some(({ start, end }) => at >= start && at < end) ? " " : letter))
    .join("")
    .split(/\s+/)
    .filter(Boolean);

describe("differences between two attempts", () => {
  it("are the words taken out and the words put in", () => {
    const [before, after] = ["The weir was built in 1948 by hand.", "The old weir was built in 1949 by hand."];
    const found = differencesOf(before, after);
    expect(found.removed.map((stretch) => cut(before, stretch))).toEqual(["1948"]);
    expect(found.added.map((stretch) => cut(after, stretch))).toEqual(["old", "1949"]);
    expect([found.wordsRemoved, found.wordsAdded]).toEqual([1, 2]);
  });

  it("count code points, so that letters outside the first plane do not shift what follows", () => {
    const after = "𝛼 and 🌊 rise fast";
    expect(differencesOf("𝛼 and 🌊 rise", after).added.map((stretch) => cut(after, stretch))).toEqual(["fast"]);
  });

  it("are none between equal texts, and everything from nothing", () => {
    expect(differencesOf("one two", "one  two")).toEqual({ removed: [], added: [], wordsRemoved: 0, wordsAdded: 0 });
    expect(differencesOf("", "one two")).toMatchObject({ removed: [], added: [{ start: 0, end: 7 }], wordsAdded: 2 });
  });

  it("leave the same words on both sides once they are taken away", () => {
    const text = fc
      .array(fc.constantFrom("a", "bb", "river", "Ω", "🌊", "flood"), { maxLength: 40 })
      .map((words) => words.join(" "));
    fc.assert(
      fc.property(text, text, (before, after) => {
        const { removed, added } = differencesOf(before, after);
        expect(without(before, removed)).toEqual(without(after, added));
      }),
    );
  });
});
