import { describe, expect, it } from "vitest";
import { isShapedLike } from "./drafts";

const example = { name: "Method", weight: null, levels: [{ min: "0", max: "4" }] };

describe("a form found among the drafts", () => {
  it.each([
    ["the same form", { name: "Data", weight: "2", levels: [] }, true],
    ["more levels", { name: "", weight: null, levels: [example.levels[0], { min: "4", max: "x" }] }, true],
    ["a field that is gone", { name: "Data", weight: null }, false],
    ["another kind of field", { name: 3, weight: null, levels: [] }, false],
    ["a level of another form", { name: "Data", weight: null, levels: ["0 to 4"] }, false],
    ["no form at all", "Data", false],
    ["a list", [], false],
  ])("%s", (_, stored, expected) => {
    expect(isShapedLike(stored, example)).toBe(expected);
  });
});
