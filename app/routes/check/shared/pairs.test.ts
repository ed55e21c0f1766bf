import { describe, expect, it } from "vitest";
import { assignmentId, run, smallCourse } from "#core/testing";
import type { SharedFound } from "../../../exports/shared-text";
import { pairKey, sharedGroups, stretchesOf } from "./pairs";

const essay = assignmentId("essay");
const passage = (start: number, length: number) => ({
  first: { start, end: start + length },
  second: { start: 0, end: length },
  length,
});
const found: SharedFound = {
  works: ["a", "b", "c", "d"].map((id) => ({ id, text: "one two three four five six seven", unread: 0 })),
  overlaps: [
    { firstId: "a", secondId: "b", share: 0.5, passages: [passage(0, 70)] },
    { firstId: "c", secondId: "d", share: 0.1, passages: [passage(0, 40)] },
    { firstId: "b", secondId: "c", share: 0.4, passages: [passage(4, 64)] },
  ],
  names: new Map([
    ["a", "Ada"],
    ["b", "Ben"],
    ["c", "Cleo"],
    ["d", "Dov"],
  ]),
  against: null,
  basis: "",
};

describe("pairs of hand-ins that share text", () => {
  it("stand together where they hang together, phrases apart, with the words they share", () => {
    const groups = sharedGroups(smallCourse(), essay, found);
    expect(groups.map(({ names, isShort }) => [names, isShort])).toEqual([
      [["Ada", "Ben", "Cleo"], false],
      [["Cleo", "Dov"], true],
    ]);
    expect(groups[0]?.pairs.map(({ names, words, cleared }) => [names, words, cleared])).toEqual([
      [["Ada", "Ben"], 7, null],
      [["Ben", "Cleo"], 6, null],
    ]);
    expect(groups.flatMap(({ pairs }) => pairs.map(({ overlap }) => pairKey(overlap)))).toEqual(["a~b", "b~c", "c~d"]);
  });

  it("are cleared with a word, until they share another amount", () => {
    const [pair] = sharedGroups(smallCourse(), essay, found)[0]?.pairs ?? [];
    const { subject = "", basis = "" } = pair ?? {};
    const cleared = run(smallCourse(), {
      type: "setAside",
      assignmentId: essay,
      subject,
      title: "t",
      basis,
      studentIds: [],
      word: "worked together",
    });
    expect(sharedGroups(cleared, essay, found)[0]?.pairs[0]?.cleared).toBe("worked together");
    const more = {
      ...found,
      overlaps: found.overlaps.map((one) => ({ ...one, passages: [...one.passages, passage(0, 36)] })),
    };
    expect(sharedGroups(cleared, essay, more)[0]?.pairs[0]?.cleared).toBeNull();
  });
});

describe("a text cut at its shared passages", () => {
  it("keeps every letter, in order, and numbers the passages", () => {
    const ranges = [
      { start: 8, end: 13 },
      { start: 0, end: 3 },
    ];
    expect(stretchesOf("one two three", ranges)).toEqual([
      { text: "one", passage: 1 },
      { text: " two ", passage: null },
      { text: "three", passage: 0 },
    ]);
  });

  it("shows a stretch once where two passages cover one another", () => {
    const cut = stretchesOf("one two three", [
      { start: 0, end: 7 },
      { start: 4, end: 13 },
      { start: 1, end: 3 },
    ]);
    expect(cut.map(({ text }) => text).join("")).toBe("one two three");
    expect(cut.map(({ passage: number }) => number)).toEqual([0, 1]);
  });
});
