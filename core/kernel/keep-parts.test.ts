import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { runs } from "#core/testing";
import { keepParts } from "./keep-parts";

describe("parts that are kept", () => {
  it("answers what was there before where nothing became another", () => {
    const before = { name: "Ada", marks: [{ points: "3" }, { points: null }] };
    expect(keepParts(before, structuredClone(before))).toBe(before);
  });

  it("answers the new value with the old objects wherever they are equal", () => {
    const before = { marks: [{ points: "3" }, { points: "4" }], head: { name: "Ada" }, left: 1 };
    const next = { marks: [{ points: "3" }, { points: "5" }], head: { name: "Ada" }, come: 2 };
    const kept: typeof next = keepParts<object>(before, next) as typeof next;
    expect(kept).toEqual(next);
    expect(kept.head).toBe(before.head);
    expect(kept.marks[0]).toBe(before.marks[0]);
    expect(kept.marks[1]).not.toBe(before.marks[1]);
    expect(kept).not.toHaveProperty("left");
  });

  it("tells a field that is not there from one that says nothing", () => {
    const before: { a: number; b?: undefined } = { a: 1, b: undefined };
    expect(Object.keys(keepParts(before, { a: 1 }))).toEqual(["a"]);
    expect(Object.keys(keepParts<object>({ a: 1 }, before))).toEqual(["a", "b"]);
  });

  it("keeps a list only at its length", () => {
    expect(keepParts([1, 2, 3], [1, 2])).toEqual([1, 2]);
    expect(keepParts([1, 2], [1, 2, 3])).toEqual([1, 2, 3]);
  });

  it("takes a function, a map and an object of a class as they are", () => {
    const next = { act: () => 1, map: new Map([[1, 2]]), at: new Date(0) };
    const kept = keepParts({ act: () => 1, map: new Map([[1, 2]]), at: new Date(0) }, next);
    expect(kept.act).toBe(next.act);
    expect(kept.map).toBe(next.map);
    expect(kept.at).toBe(next.at);
  });

  it("never says anything but the new value", () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (before, next) => {
        expect(keepParts<unknown>(before, next)).toEqual(next);
      }),
      { numRuns: runs(2_000, 200) },
    );
  });
});
