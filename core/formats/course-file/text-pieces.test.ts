import fc from "fast-check";
import { expect, it } from "vitest";
import { TABLE_NAMES, wholeTable } from "#core/model";
import { anyCourse, judgedClass, runs, smallCourse } from "#core/testing";
import { recordsText } from "./records-text";
import { bytesOfTexts, Lines, SameBytes } from "./text-pieces";

const bytes = (text: string) => new TextEncoder().encode(text);

/** Bytes cut at the given places, whatever stands there: also within one letter. */
const cutAt = (whole: Uint8Array, places: readonly number[]): Uint8Array[] => {
  const ends = [...places.map((place) => place % (whole.length + 1)), whole.length].sort((a, b) => a - b);
  return ends.map((end, index) => whole.subarray(ends[index - 1] ?? 0, end));
};

it("lines come out whole, however their bytes were cut", () => {
  fc.assert(
    fc.property(fc.array(fc.string({ unit: "grapheme" })), fc.array(fc.nat(400)), (words, places) => {
      const text = words.map((word) => word.replaceAll("\n", "")).join("\n");
      const lines = new Lines();
      const found = cutAt(bytes(text), places).flatMap((piece) => lines.take(piece));
      // A mark of the byte order at the very beginning is no letter.
      expect([...found, lines.rest()].join("\n")).toBe(text.replace(/^\uFEFF/, ""));
      expect(found).toHaveLength(Math.max(0, words.length - 1));
    }),
    { numRuns: runs(300) },
  );
});

it("the same bytes are known in any pieces, and a byte more, less or changed is seen", () => {
  fc.assert(
    fc.property(
      fc.uint8Array({ minLength: 1, maxLength: 60 }),
      fc.array(fc.nat(60)),
      fc.array(fc.nat(60)),
      (all, a, b) => {
        const holds = (given: Uint8Array) => {
          const same = new SameBytes(cutAt(all, a)[Symbol.iterator]());
          for (const piece of cutAt(given, b)) same.take(piece);
          return same.end();
        };
        expect(holds(all)).toBe(true);
        expect(holds(all.slice(1))).toBe(false);
        expect(holds(all.slice(0, -1))).toBe(false);
        expect(holds(new Uint8Array([...all, 0]))).toBe(false);
        expect(holds(all.map((byte, at) => (at === (a[0] ?? 0) % all.length ? byte ^ 1 : byte)))).toBe(false);
      },
    ),
    { numRuns: runs(300) },
  );
});

it("the text of all records is what JSON gives of them with an indent of one", () => {
  const courses = [smallCourse(), judgedClass().judged, ...fc.sample(anyCourse(), 20)];
  for (const state of courses) {
    const tables = Object.fromEntries(TABLE_NAMES.map((table) => [table, wholeTable(state, table)]));
    const text = [...bytesOfTexts(recordsText(state))].map((piece) => new TextDecoder().decode(piece)).join("");
    expect(text).toBe(`${JSON.stringify(tables, null, 1)}\n`);
  }
});
