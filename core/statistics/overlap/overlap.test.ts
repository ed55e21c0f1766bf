import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import {
  findOverlaps,
  normalise,
  OVERLAP_DEFAULTS,
  overlapGroups,
  quotationsIn,
  rollingHashes,
  sharedLetters,
  winnow,
} from "../index";

describe("winnowing (Schleimer, Wilkerson & Aiken 2003)", () => {
  it("the paper's worked example: figure 2", () => {
    const { input, expected } = reference<
      { text: string; normalised: string; k: number; hashes: number[]; w: number },
      { kgrams: string[]; withPositions: number[][] }
    >("overlap.winnowing.paper");
    expect(normalise(input.text).text).toBe(input.normalised);
    expect(rollingHashes(input.normalised, input.k)).toHaveLength(expected.kgrams.length);
    expect(winnow(input.hashes, input.w).map(({ hash, at }) => [hash, at])).toEqual(expected.withPositions);
  });

  it("keeps a share of 2 / (w + 1) of random hashes (the paper's expected density)", () => {
    const { input, expected } = reference<{ w: number[] }, { density: number[] }>("overlap.winnowing.properties");
    let seed = 7;
    const hashes = Array.from({ length: 60_000 }, () => (seed = (seed * 48_271) % 2_147_483_647));
    input.w.forEach((window, index) => {
      expect(Math.abs(winnow(hashes, window).length / hashes.length - (expected.density[index] ?? 0))).toBeLessThan(
        0.01,
      );
    });
  });

  it("equal runs have equal hashes, wherever they stand", () => {
    const [a, b] = [rollingHashes("xxabcdefgh", 5), rollingHashes("abcdefghyyy", 5)];
    expect(a[2]).toBe(b[0]);
    expect(new Set([...a, ...b]).size).toBe(a.length + b.length - 4);
    expect(rollingHashes("abc", 5)).toEqual([]);
  });

  it("keeps the only window of a short text, and refuses no window", () => {
    expect(winnow([5, 3], 4)).toEqual([{ hash: 3, at: 1 }]);
    expect(winnow([], 4)).toEqual([]);
    expect(() => winnow([1], 0)).toThrow(RangeError);
  });

  it("normalises case, accents and marks, and knows where each letter stood", () => {
    expect(normalise("Ünë  2 – ﬁn")).toEqual({ text: "une2fin", places: [0, 1, 2, 5, 9, 9, 10] });
  });
});

describe("overlap of texts", () => {
  const letters = (length: number) =>
    fc
      .array(fc.constantFrom(..."abcdefghijklmnopqrstuvwxyz"), { minLength: length, maxLength: length })
      .map((all) => all.join(""));
  const guarantee = OVERLAP_DEFAULTS.run + OVERLAP_DEFAULTS.window - 1;

  it("any shared run as long as the guarantee is found, whatever stands around it", () => {
    fc.assert(
      fc.property(letters(guarantee), letters(60), letters(80), fc.nat(60), fc.nat(80), (shared, one, two, a, b) => {
        const put = (text: string, at: number) => `${text.slice(0, at)} ${shared.toUpperCase()}, ${text.slice(at)}`;
        const [found] = findOverlaps([
          { id: "one", text: put(one, a) },
          { id: "two", text: put(two, b) },
        ]);
        expect(found?.passages[0]?.length).toBeGreaterThanOrEqual(guarantee);
      }),
    );
  });

  it("marks the passage in both texts, and says how much of the shorter one it is", () => {
    const passage = "The gauge at the mill was moved downstream in 1931";
    const first = `I think this matters. ${passage}, so the years before are high.`;
    const second = `${passage.replace("1931", "1931").toLowerCase()}!`;
    const [found] = findOverlaps([
      { id: "first", text: first },
      { id: "second", text: second },
    ]);
    const [shared] = found?.passages ?? [];
    expect(shared && first.slice(shared.first.start, shared.first.end)).toBe(passage);
    expect(shared && second.slice(shared.second.start, shared.second.end)).toBe(passage.toLowerCase());
    expect(found?.share).toBe(1);
  });

  it("what comes from the task itself does not count", () => {
    const task = "Estimate the flood that is exceeded once in one hundred years and state what it rests on.";
    const texts = [
      { id: "one", text: `${task} I used the annual maxima of all years.` },
      { id: "two", text: `${task} My board should read the last page first.` },
    ];
    expect(findOverlaps(texts)).toHaveLength(1);
    expect(findOverlaps(texts, task)).toEqual([]);
  });

  it("a run that crosses the edge of the task's text brings nothing of the task back in", () => {
    const task = "Estimate the flood that is exceeded once in one hundred years and state what it rests on. The";
    const texts = [
      { id: "one", text: `${task} annual maxima of all years were used here, as the board records them.` },
      { id: "two", text: `${task} first thing my reader needs is the last page, which says what to do.` },
    ];
    // Beside the task they share no word at all; before, the task itself came back with the space behind it.
    expect(findOverlaps(texts, task.replace(/ The$/, ""))).toEqual([]);
    const copied = "the years before the gauge was moved are too high by a tenth of a metre";
    const [found] = findOverlaps(
      texts.map(({ id, text }) => ({ id, text: `${text} ${task} ${copied}` })),
      task,
    );
    expect(found?.passages.map(({ length }) => length)).toEqual([normalise(copied).text.length]);
  });

  it("a passage that stands twice in one of the texts is told once, in its whole length", () => {
    const passage = "the staff gauge was read by eye twice a day until the winter of 1931";
    const one = { id: "one", text: `Of my own first. ${passage}, and then words of my own again.` };
    const two = { id: "two", text: `${passage.slice(0, 50)}. Other words here. ${passage}; ${passage}!` };
    const whole = normalise(passage).text.length;
    for (const texts of [
      [one, two],
      [two, one],
    ]) {
      const [found] = findOverlaps(texts);
      expect(found?.passages.map(({ length }) => length)).toEqual([whole]);
      expect(found?.share).toBeCloseTo(whole / normalise(one.text).text.length, 12);
    }
  });

  it("texts of their own share nothing, and a text does not overlap with itself", () => {
    const again = "one sentence that comes twice in a single text and nowhere else at all";
    expect(
      findOverlaps([
        { id: "one", text: `${again}. ${again}.` },
        { id: "two", text: "short" },
        { id: "three", text: "" },
      ]),
    ).toEqual([]);
  });

  it("lists the pair that shares most first, its longest passage first", () => {
    const long = "a rating curve fitted through nine points is not a rating curve for a flood ten times as high";
    const short = "the old staff gauge was read by eye twice a day";
    const texts = [
      { id: "a", text: `${short}. Something of my own stands here. ${long}. More of my own words.` },
      { id: "b", text: `${long} ${short}` },
      {
        id: "c",
        text: `Other words, and plenty of them, before ${short} and after it too, so that the share is small.`,
      },
    ];
    const found = findOverlaps(texts);
    expect(found[0]).toMatchObject({ firstId: "a", secondId: "b" });
    expect(found[0]?.passages.map(({ length }) => length > 40)).toEqual([true, false]);
    expect(found.map(({ share }) => share)).toEqual([...found.map(({ share }) => share)].sort((x, y) => y - x));
  });

  /** Forty made-up words, other ones for every number. */
  const paragraph = (salt: number) => {
    let seed = 1 + salt * 16_807;
    const word = () => (seed = (seed * 48_271) % 2_147_483_647).toString(36);
    return Array.from({ length: 40 }, word).join(" ");
  };
  const shared = paragraph(999);

  it("what more than half of ten and more texts hold is nobody's, what a few of them hold is", () => {
    const holding = (count: number) =>
      Array.from({ length: 12 }, (_, at) => ({
        id: String(at),
        text: `${paragraph(at)} ${at < count ? shared : ""} ${paragraph(at + 50)}`,
      }));
    expect(findOverlaps(holding(12))).toEqual([]);
    expect(findOverlaps(holding(8))).toEqual([]);
    expect(
      findOverlaps(holding(3))
        .map(({ firstId, secondId }) => `${firstId} ${secondId}`)
        .sort(),
    ).toEqual(["0 1", "0 2", "1 2"]);
  });

  it("what is marked as quoted is no share, and what stands beside it is", () => {
    const quoting = (salt: number, own = "") => {
      const text = `${paragraph(salt)} “${shared}” ${own} ${paragraph(salt + 1)}`;
      return { id: String(salt), text, given: quotationsIn(text) };
    };
    expect(findOverlaps([quoting(1), quoting(5)])).toEqual([]);
    const own = paragraph(77);
    const [found] = findOverlaps([quoting(1, own), quoting(5, own)]);
    expect(found?.passages.map(({ length }) => length)).toEqual([own.replaceAll(" ", "").length]);
  });

  it("texts of one kin are not held against each other", () => {
    const text = (id: string, kin?: string) => ({ id, text: shared, ...(kin === undefined ? {} : { kin }) });
    const pairs = findOverlaps([text("a", "g"), text("b", "g"), text("c")]);
    expect(pairs.map(({ firstId, secondId }) => `${firstId} ${secondId}`).sort()).toEqual(["a c", "b c"]);
  });
});

describe("quotations in a text", () => {
  it.each([
    ["He wrote “the river knows” and left.", ["“the river knows”"]],
    ["Er schrieb „der Fluss“ und ging.", ["„der Fluss“"]],
    ["Il a écrit « le fleuve ».", ["« le fleuve »"]],
    ['She said "no" and "yes".', ['"no"', '"yes"']],
    ["> quoted line\nown line\n> another", ["> quoted line", "> another"]],
    ['A pipe of 3" and no more.', []],
    [`An open mark “ and then ${"much text ".repeat(200)}”.`, []],
    ["A mark “ in one paragraph\n\nand another ” in the next.", []],
  ])("%j", (text, expected) => {
    expect(quotationsIn(text).map(({ start, end }) => text.slice(start, end))).toEqual(expected);
  });
});

describe("pairs that hang together", () => {
  it("are one group, the pair that shares most first, and strangers are another", () => {
    const pair = (firstId: string, secondId: string, length: number) => ({
      firstId,
      secondId,
      share: 0.1,
      passages: [{ first: { start: 0, end: 1 }, second: { start: 0, end: 1 }, length }],
    });
    const groups = overlapGroups([pair("a", "b", 40), pair("x", "y", 60), pair("b", "c", 90)]);
    expect(groups.map(({ ids }) => ids)).toEqual([
      ["b", "c", "a"],
      ["x", "y"],
    ]);
    expect(groups[0]?.pairs.map(sharedLetters)).toEqual([90, 40]);
  });
});
