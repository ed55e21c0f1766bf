import { readPaperCode } from "./paper-code";
import type { ScanPage, SeenPage, Turn } from "./scan-page";

/** A page of a paper: its place in the pile, from 1, and how it is turned. */
export interface PaperPage {
  readonly place: number;
  readonly turn: Turn;
}

/** A paper as it comes out of a pile. */
export interface PaperOfPile {
  /** The code that it begins with; empty where a person marked its first page, or where it lay before the first code. */
  readonly code: string;
  /** Places in the pile of its first and last page, its cover and what is left out among them. */
  readonly from: number;
  readonly to: number;
  /** Without its cover, which is no page of the work. */
  readonly pages: readonly PaperPage[];
}

/** What is noteworthy about a pile that was cut. */
export type PileRemark =
  | /** Pages that lie before the first code. */ { readonly kind: "beforeFirst"; readonly pages: number }
  | /** Covers behind which nothing lies. */ { readonly kind: "coversAlone"; readonly codes: readonly string[] }
  | /** Blank pages that are in the papers. */ { readonly kind: "blank"; readonly pages: number };

/** A paper begins at every code but one that repeats the code before it, as labels on every page do. */
export function cutAtCodes(seen: readonly SeenPage[]): ScanPage[] {
  let before = "";
  return seen.map((page) => {
    const isFirst = page.code !== "" && page.code !== before;
    if (page.code !== "") before = page.code;
    return { ...page, isFirst, isLeftOut: false };
  });
}

/** A paper begins at every nth page. @throws RangeError for no pages */
export function cutEvery(pages: readonly ScanPage[], count: number): ScanPage[] {
  if (!Number.isInteger(count) || count < 1) throw new RangeError(`${String(count)} pages`);
  return pages.map((page, index) => ({ ...page, isFirst: index % count === 0 }));
}

/** The papers of a pile, in its order; one that has no page but its cover is left out. */
export function papersOf(pages: readonly ScanPage[]): PaperOfPile[] {
  return stretchesOf(pages)
    .map(({ from, own }) => ({
      code: own[0]?.isFirst ? own[0].code : "",
      from,
      to: from + own.length - 1,
      pages: turned(own)
        .map((turn, index) => ({ place: from + index, turn }))
        .filter((_, index) => !isPassedOver(own[index])),
    }))
    .filter((paper) => paper.pages.length > 0);
}

/** A page as it lies once its pile is cut. */
export interface LaidPage {
  /** Which paper it is in, from 1; null for one of a paper that has no pages. */
  readonly paper: number | null;
  readonly turn: Turn;
  readonly lies: "in" | "cover" | "leftOut";
}

/** How each page of a pile lies, in their order. */
export function laidOut(pages: readonly ScanPage[]): LaidPage[] {
  let paper = 0;
  return stretchesOf(pages).flatMap(({ own }) => {
    const isPaper = !own.every(isPassedOver);
    if (isPaper) paper += 1;
    const turns = turned(own);
    return own.map((page, index): LaidPage => {
      const lies = page.isLeftOut ? "leftOut" : isPassedOver(page) ? "cover" : "in";
      return { paper: isPaper ? paper : null, turn: turns[index] ?? 0, lies };
    });
  });
}

/** Turns a page one quarter clockwise, or with it all of its paper; the others stay as they lie. */
export function turnedOn(pages: readonly ScanPage[], place: number, whole: boolean): ScanPage[] {
  const laid = laidOut(pages);
  const paper = laid[place]?.paper;
  return pages.map((page, index) => {
    const turn = laid[index]?.turn ?? 0;
    if (laid[index]?.paper !== paper) return page;
    return { ...page, turn: index === place || whole ? (((turn + 1) % 4) as Turn) : turn };
  });
}

/** What a person should know about a pile as it is cut. */
export function remarksOf(pages: readonly ScanPage[]): PileRemark[] {
  const first = pages.findIndex(({ isFirst }) => isFirst);
  const codes = stretchesOf(pages)
    .filter(({ own }) => own[0]?.isFirst && own.every(isPassedOver))
    .map(({ own }) => own[0]?.code ?? "");
  const blank = pages.filter((page) => page.isBlank && !isPassedOver(page)).length;
  const remarks: PileRemark[] = [
    { kind: "beforeFirst", pages: Math.max(0, first) },
    { kind: "coversAlone", codes },
    { kind: "blank", pages: blank },
  ];
  return remarks.filter((remark) => (remark.kind === "coversAlone" ? remark.codes.length > 0 : remark.pages > 0));
}

/** How many pages most papers have, where more than half have as many; else null. */
export function usualPages(counts: readonly number[]): number | null {
  const often = new Map<number, number>();
  for (const count of counts) often.set(count, (often.get(count) ?? 0) + 1);
  const [most] = [...often].sort(([, a], [, b]) => b - a);
  return most && most[1] * 2 > counts.length && counts.length > 2 ? most[0] : null;
}

const isPassedOver = (page: ScanPage | undefined): boolean =>
  page === undefined || page.isLeftOut || readPaperCode(page.code)?.kind === "cover";

interface Stretch {
  readonly from: number;
  readonly own: readonly ScanPage[];
}

function stretchesOf(pages: readonly ScanPage[]): Stretch[] {
  const starts = pages.flatMap(({ isFirst }, index) => (isFirst || index === 0 ? [index] : []));
  return starts.map((start, index) => ({ from: start + 1, own: pages.slice(start, starts[index + 1]) }));
}

/** A page that does not know lies as the one before it in its paper, and those before the first that knows as that one. */
function turned(own: readonly ScanPage[]): Turn[] {
  let turn = own.find((page) => page.turn !== null)?.turn ?? 0;
  return own.map((page) => (turn = page.turn ?? turn));
}
