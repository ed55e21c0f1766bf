import { describe, expect, it } from "vitest";
import { clampShare, turned, turnOn, unturned, type Turn } from "./turn";

const TURNS: readonly Turn[] = [0, 1, 2, 3];

describe("turning a page", () => {
  it("carries the upper left corner clockwise around the page", () => {
    expect(TURNS.map((turn) => turned({ x: 0, y: 0 }, turn))).toEqual([
      { x: 0, y: 0 },
      { x: 1, y: 0 },
      { x: 1, y: 1 },
      { x: 0, y: 1 },
    ]);
  });

  it("is the same as that many single quarters, and four quarters come back", () => {
    let place = { x: 0.2, y: 0.7 };
    for (const turn of TURNS) {
      const at = turned({ x: 0.2, y: 0.7 }, turn);
      expect(at.x).toBeCloseTo(place.x, 12);
      expect(at.y).toBeCloseTo(place.y, 12);
      place = turned(place, 1);
    }
    expect(place.x).toBeCloseTo(0.2, 12);
    expect(turnOn(3)).toBe(0);
  });

  it("is undone by turning back", () => {
    for (const turn of TURNS) {
      const back = unturned(turned({ x: 0.25, y: 0.5 }, turn), turn);
      expect(back).toEqual({ x: 0.25, y: 0.5 });
    }
  });

  it("keeps shares on the page", () => {
    expect([-1, 0.4, 3].map(clampShare)).toEqual([0, 0.4, 1]);
  });
});
