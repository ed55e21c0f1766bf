import { describe, expect, it } from "vitest";
import { driftOf } from "../index";

describe("drift of the judging", () => {
  it("holds the last ten against the first ten, whatever lies between", () => {
    const values = [...Array<number>(10).fill(6), 1, 2, 3, ...Array<number>(10).fill(7.5)];
    expect(driftOf(values)).toEqual({ first: 6, last: 7.5, difference: 1.5 });
  });

  it("is not spoken of while the two would overlap", () => {
    expect(driftOf(Array<number>(19).fill(5))).toBeNull();
    expect(driftOf(Array<number>(20).fill(5))).toEqual({ first: 5, last: 5, difference: 0 });
  });

  it("is below zero where the judging grew stricter", () => {
    const falling = Array.from({ length: 20 }, (_, index) => 20 - index);
    expect(driftOf(falling)?.difference).toBe(-10);
  });
});
