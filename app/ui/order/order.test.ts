import { describe, expect, it } from "vitest";
import { movedTo, standingOf } from "./order";

const LISTS = [
  { id: "field", items: ["a", "b", "c"] },
  { id: "papers", items: ["d"] },
  { id: "bonus", items: [] },
];
const shown = (lists: readonly { readonly items: readonly string[] }[]) =>
  lists.map(({ items }) => items.join("")).join(" ");

describe("items moved among lists", () => {
  it.each([
    ["down its own list, to the place of another", "a", "c", "bca d "],
    ["up its own list", "c", "a", "cab d "],
    ["into another list, before the one it is on", "a", "d", "bc ad "],
    ["to the end of another list", "a", "papers", "bc da "],
    ["into an empty list", "b", "bonus", "ac d b"],
    ["nowhere, where it is on itself", "b", "b", "abc d "],
    ["nowhere, where it is on its own list", "b", "field", "abc d "],
    ["nowhere, where the place is unknown", "b", "x", "abc d "],
  ])("go %s", (_, moved, to, expected) => {
    expect(shown(movedTo(LISTS, moved, to))).toBe(expected);
  });

  it("leave lists they do not touch as they are", () => {
    expect(movedTo(LISTS, "a", "c")[1]).toBe(LISTS[1]);
  });

  it("stand before the next one of their list, or at its end", () => {
    expect(standingOf(LISTS, "a")).toEqual({ item: "a", listId: "field", beforeId: "b" });
    expect(standingOf(LISTS, "d")).toEqual({ item: "d", listId: "papers", beforeId: null });
    expect(standingOf(LISTS, "bonus")).toBeNull();
  });
});
