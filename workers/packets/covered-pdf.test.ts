import { expect, it, vi } from "vitest";
import { boxesOfNames } from "./covered-pdf";

// Drawing needs a browser; where names stand on a page does not.
vi.mock("../drawable-pages", () => ({}));

const run = (str: string, x: number, y: number, hasEOL = false, turned = false) => ({
  str,
  transform: turned ? [0, 10, -10, 0, x, y] : [10, 0, 0, 10, x, y],
  width: 5 * str.length,
  height: 10,
  hasEOL,
});
const NAMES = ["Ilse Tarnowe", "Ilse"];

it("finds names within a run of words and over several, each with a letter beside it, by hand", () => {
  // "by " is three letters of 5 points: the name begins at 115, ends at 175; a letter beside it each way, as far as the run goes.
  expect(boxesOfNames([run("by Ilse Tarnowe", 100, 700)], NAMES)).toEqual([[110, 697, 175, 710]]);
  expect(boxesOfNames([run("Ilse", 100, 700), run(" ", 120, 700), run("Tarnowe", 125, 700)], NAMES)).toEqual([
    [100, 697, 120, 710],
    [120, 697, 125, 710],
    [125, 697, 160, 710],
  ]);
  expect(boxesOfNames([run("Ilse", 100, 700, true), run("Tarnowe wrote", 100, 688)], NAMES)).toHaveLength(2);
  expect(boxesOfNames([run("the river", 100, 700)], NAMES)).toEqual([]);
});

it("covers words that stand upright as far as they reach", () => {
  const [box] = boxesOfNames([run("Ilse", 50, 400, false, true)], NAMES);
  expect(box).toEqual([28, 378, 72, 422]);
});
