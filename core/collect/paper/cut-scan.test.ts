import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cutAtCodes, cutEvery, laidOut, papersOf, remarksOf, turnedOn, usualPages } from "./cut-scan";
import { paperCodeText } from "./paper-code";
import type { SeenPage, Turn } from "./scan-page";

const code = (student: string, kind: "cover" | "page" = "cover") =>
  paperCodeText({ kind, course: "0000", assignment: "1111", student: student.padEnd(8, "2") });
const [A, B] = [code("A"), code("B")];
const seen = (text = "", turn: Turn | null = null, isBlank = false): SeenPage => ({ code: text, turn, isBlank });
const places = (pages: readonly SeenPage[]) =>
  papersOf(cutAtCodes(pages)).map((paper) => paper.pages.map(({ place }) => place));

describe("a pile that is cut at its codes", () => {
  it("becomes papers without their covers, each page turned as its cover lies", () => {
    const papers = papersOf(cutAtCodes([seen(A, 2), seen(), seen(), seen(B, 0), seen()]));
    expect(papers).toEqual([
      { code: A, from: 1, to: 3, pages: [{ place: 2, turn: 2 }, { place: 3, turn: 2 }] }, // oxfmt-ignore
      { code: B, from: 4, to: 5, pages: [{ place: 5, turn: 0 }] },
    ]);
  });

  it("keeps pages that bear a code themselves, also one on each page of a paper", () => {
    const [label, other] = [code("A", "page"), code("B", "page")];
    expect(places([seen(label, 0), seen(label, 2), seen(other, 0), seen()])).toEqual([
      [1, 2],
      [3, 4],
    ]);
  });

  it("keeps what lies before the first code, says so, and names covers behind which nothing lies", () => {
    const pages = cutAtCodes([seen(), seen(), seen(A), seen(B), seen(), seen("", null, true)]);
    expect(papersOf(pages).map((paper) => [paper.code, paper.pages.length])).toEqual([
      ["", 2],
      [B, 2],
    ]);
    expect(remarksOf(pages)).toEqual([
      { kind: "beforeFirst", pages: 2 },
      { kind: "coversAlone", codes: [A] },
      { kind: "blank", pages: 1 },
    ]);
    const without = pages.map((page) => ({ ...page, isLeftOut: page.isBlank }));
    expect(papersOf(without).at(-1)?.pages).toEqual([{ place: 5, turn: 0 }]);
    expect(remarksOf(without).some(({ kind }) => kind === "blank")).toBe(false);
  });

  it("gives the same student two papers where the cover lies there twice", () => {
    expect(places([seen(A), seen(), seen(B), seen(), seen(A), seen()])).toEqual([[2], [4], [6]]);
  });

  it("loses no page and doubles none, however it is cut (property)", () => {
    const page = fc.record({
      code: fc.constantFrom("", "", "", A, B),
      turn: fc.constantFrom<Turn | null>(null, 0, 1, 2, 3),
      isBlank: fc.boolean(),
      isFirst: fc.boolean(),
      isLeftOut: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(page, { maxLength: 40 }), (pages) => {
        const kept = papersOf(pages).flatMap((paper) => paper.pages.map(({ place }) => place));
        const due = pages.flatMap((one, index) => (one.isLeftOut || one.code !== "" ? [] : [index + 1]));
        expect(kept).toEqual(due);
      }),
    );
  });
});

it("turns one page or its whole paper, and leaves the others as they lie", () => {
  const pages = cutAtCodes([seen(A, 2), seen(), seen(), seen(B, 0), seen()]);
  const turns = (of: typeof pages) => laidOut(of).map(({ turn }) => turn);
  expect(turns(pages)).toEqual([2, 2, 2, 0, 0]);
  expect(turns(turnedOn(pages, 1, false))).toEqual([2, 3, 2, 0, 0]);
  expect(turns(turnedOn(pages, 1, true))).toEqual([3, 3, 3, 0, 0]);
  expect(turns(turnedOn(turnedOn(pages, 4, false), 4, false))).toEqual([2, 2, 2, 0, 2]);
});

it("says of each page in which paper it lies, or why in none", () => {
  const pages = cutAtCodes([seen(A), seen(), seen(B), seen(), seen()]);
  const without = pages.map((page, index) => ({ ...page, isLeftOut: index === 1 }));
  expect(laidOut(without).map(({ paper, lies }) => [paper, lies])).toEqual([
    [null, "cover"],
    [null, "leftOut"],
    [1, "cover"],
    [1, "in"],
    [1, "in"],
  ]);
});

it("cuts every n pages, the last paper with what is left over", () => {
  const pages = cutEvery(cutAtCodes(Array.from({ length: 8 }, () => seen())), 3);
  expect(papersOf(pages).map((paper) => [paper.from, paper.to])).toEqual([
    [1, 3],
    [4, 6],
    [7, 8],
  ]);
  expect(() => cutEvery(pages, 0)).toThrow(RangeError);
});

it("tells how many pages a paper usually has, only where most agree", () => {
  expect(usualPages([4, 4, 4, 6])).toBe(4);
  expect(usualPages([4, 4, 6, 6])).toBeNull();
  expect(usualPages([4, 6])).toBeNull();
});
