import type { TextRange } from "./quotations";
import { normalise, rollingHashes, winnow, type Fingerprint, type NormalisedText } from "./winnowing";

/** How fine overlap is looked for: shared runs of `window + run - 1` letters and digits, in whole words, are found, and none shorter. */
export interface OverlapSettings {
  /** Length k of a run that is hashed. */
  readonly run: number;
  /** Number w of hashes of which one is kept. */
  readonly window: number;
}

/** Guarantees every shared run of 35 letters and digits, some seven words. */
export const OVERLAP_DEFAULTS: OverlapSettings = { run: 20, window: 16 };

/** A text of the comparison. */
export interface OverlapText {
  readonly id: string;
  readonly text: string;
  /** Texts of one kin are not held against each other: attempts of one student, members of a group, all of another course. */
  readonly kin?: string;
  /** Stretches that count as given, such as what the text marks as quoted. */
  readonly given?: readonly TextRange[];
}

/** A passage that two texts share, by its place in each; places in UTF-16 units, `end` outside. */
export interface SharedPassage {
  readonly first: { readonly start: number; readonly end: number };
  readonly second: { readonly start: number; readonly end: number };
  /** Letters and digits shared. */
  readonly length: number;
}

/** Two texts and what they share, the longest passage first. */
export interface Overlap {
  readonly firstId: string;
  readonly secondId: string;
  readonly passages: readonly SharedPassage[];
  /** Letters and digits shared, over those of the shorter text: 0 to 1. */
  readonly share: number;
}

interface Prepared {
  readonly id: string;
  readonly source: NormalisedText;
  readonly prints: readonly Fingerprint[];
  /** For each letter, whether it is part of a run that the task's own text holds. */
  readonly isGiven: Uint8Array;
  readonly kin: string | null;
  readonly raw: string;
}

/** Of at least so many texts: a run that more than half of them hold is something they all had before them. */
const COMMON = { share: 0.5, least: 10 };

/**
 * All pairs of texts that share a run. What they share with `boilerplate` (the task's own text) is taken out first, and
 * every match is looked up in the texts themselves, so that equal hashes of different words never count. A run that more than
 * half of at least ten texts hold is taken out as well: it is something they all had before them.
 */
export function findOverlaps(
  texts: readonly OverlapText[],
  boilerplate = "",
  settings: OverlapSettings = OVERLAP_DEFAULTS,
): Overlap[] {
  const given = normalise(boilerplate).text;
  const common = new Set(rollingHashes(given, settings.run));
  const prepared = texts.map(({ id, text, kin = null, given: quoted = [] }): Prepared => {
    const source = normalise(text);
    const hashes = rollingHashes(source.text, settings.run);
    const isGiven = new Uint8Array(source.text.length);
    hashes.forEach((hash, at) => {
      if (common.has(hash) && given.includes(source.text.slice(at, at + settings.run)))
        isGiven.fill(1, at, at + settings.run);
    });
    for (const range of quoted) markRange(source, range, isGiven);
    return { id, source, prints: winnow(hashes, settings.window), isGiven, kin, raw: text };
  });
  const pairs = new Map<number, { a: number; b: number; seeds: [number, number][] }>();
  const places = new Map<number, [number, number][]>();
  prepared.forEach(({ prints, isGiven }, text) => {
    for (const { hash, at } of prints) {
      // A run that the task holds whole leads to every paper.
      if (isAllGiven(isGiven, at, at + settings.run)) continue;
      const seen = places.get(hash);
      if (seen) seen.push([text, at]);
      else places.set(hash, [[text, at]]);
    }
  });
  const most = texts.length < COMMON.least ? texts.length : COMMON.share * texts.length;
  const told: (readonly [text: number, at: number])[][] = [];
  for (const seen of places.values()) {
    if (seen.length < 2) continue;
    if (new Set(seen.map(([text]) => text)).size <= most) told.push(seen);
    else for (const [text, at] of seen) prepared[text]?.isGiven.fill(1, at, at + settings.run);
  }
  for (const seen of told) {
    seen.forEach(([text, at], index) => {
      for (const [other, place] of seen.slice(0, index)) {
        const kin = prepared[text]?.kin;
        if (other === text || (kin !== null && kin === prepared[other]?.kin)) continue;
        const key = other * texts.length + text;
        const pair = pairs.get(key) ?? { a: other, b: text, seeds: [] };
        pair.seeds.push([place, at]);
        pairs.set(key, pair);
      }
    });
  }
  return [...pairs.values()]
    .flatMap(({ a, b, seeds }) => {
      const [first, second] = [prepared[a], prepared[b]];
      return first && second ? compareTexts(first, second, seeds, settings) : [];
    })
    .sort((one, other) => other.share - one.share);
}

/** Marks the letters that stand in a range of the source; their places rise. */
function markRange({ places }: NormalisedText, { start, end }: TextRange, isGiven: Uint8Array): void {
  let from = firstAt(places, start);
  while (from < places.length && (places[from] ?? 0) < end) {
    isGiven[from] = 1;
    from += 1;
  }
}

/** The first letter that stands at or behind a place of the source, by halving. */
function firstAt(places: readonly number[], start: number): number {
  let [low, high] = [0, places.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((places[middle] ?? 0) < start) low = middle + 1;
    else high = middle;
  }
  return low;
}

function isAllGiven(isGiven: Uint8Array, from: number, to: number): boolean {
  for (let at = from; at < to; at += 1) if (isGiven[at] === 0) return false;
  return true;
}

/** A run that stands in both texts: where it begins in each, and its letters. */
interface Run {
  readonly a: number;
  readonly b: number;
  readonly length: number;
}

function compareTexts(
  first: Prepared,
  second: Prepared,
  seeds: readonly (readonly [number, number])[],
  { run, window }: OverlapSettings,
): Overlap[] {
  const least = run + window - 1;
  const runs = runsOf(first, second, seeds, run)
    .map((found) => inWholeWords(found, first, second))
    .filter(({ length }) => length >= least)
    .sort((x, y) => y.length - x.length || x.a - y.a);
  const takenInFirst = new Set<number>();
  const takenInSecond = new Set<number>();
  const passages: SharedPassage[] = [];
  for (const { a, b, length } of runs) {
    // The same words at a second place of either text are no second passage; the longest is told.
    const own = Array.from({ length }, (_, place) => place);
    const fresh = own.filter((place) => !takenInFirst.has(a + place) && !takenInSecond.has(b + place)).length;
    for (const place of own) {
      takenInFirst.add(a + place);
      takenInSecond.add(b + place);
    }
    if (fresh < least) continue;
    passages.push({ first: inSource(first.source, a, length), second: inSource(second.source, b, length), length });
  }
  if (passages.length === 0) return [];
  const shorter = Math.min(first.source.text.length, second.source.text.length);
  const shared = Math.min(takenInFirst.size, takenInSecond.size);
  return [{ firstId: first.id, secondId: second.id, passages, share: Math.min(1, shared / shorter) }];
}

/** The longest runs around the seeds, cut where the task's own text begins; each once, none shorter than a hashed run. */
function runsOf(first: Prepared, second: Prepared, seeds: readonly (readonly [number, number])[], run: number): Run[] {
  const runs: Run[] = [];
  /** How far each way of laying the texts upon each other has been looked at. */
  const looked = new Map<number, number>();
  for (const [a, b] of [...seeds].sort((x, y) => x[0] - y[0])) {
    if (a < (looked.get(b - a) ?? -1)) continue;
    if (first.source.text.slice(a, a + run) !== second.source.text.slice(b, b + run)) continue;
    const grown = grow(first.source.text, second.source.text, a, b);
    looked.set(b - a, grown.a + grown.length);
    runs.push(...ownParts(grown, first.isGiven, second.isGiven).filter(({ length }) => length >= run));
  }
  return runs;
}

/** A run without the pieces of words at its ends, which came along by chance. */
function inWholeWords({ a, b, length }: Run, first: Prepared, second: Prepared): Run {
  const isBound = (at: number) => isWordStart(first, a + at) && isWordStart(second, b + at);
  let start = 0;
  while (start < length && !isBound(start)) start += 1;
  let end = length;
  while (end > start && !isBound(end)) end -= 1;
  return { a: a + start, b: b + start, length: end - start };
}

/** Whether a letter of the normalised text begins a word; the place behind the last letter does too. */
function isWordStart({ raw, source: { places } }: Prepared, at: number): boolean {
  const [before, here] = [places[at - 1], places[at]];
  if (before === undefined || here === undefined) return true;
  // A letter written with marks of its own is still inside the word.
  return /[^\p{L}\p{N}\p{M}]/u.test(raw.slice(before + 1, here));
}

/** The parts of a run that neither text has from the task. */
function ownParts({ a, b, length }: Run, givenFirst: Uint8Array, givenSecond: Uint8Array): Run[] {
  const parts: Run[] = [];
  let start = 0;
  for (let place = 0; place <= length; place += 1) {
    const isOwn = place < length && !givenFirst[a + place] && !givenSecond[b + place];
    if (isOwn) continue;
    if (place > start) parts.push({ a: a + start, b: b + start, length: place - start });
    start = place + 1;
  }
  return parts;
}

/** The longest run around two places that are the same. */
function grow(first: string, second: string, a: number, b: number): Run {
  let before = 0;
  while (a - before > 0 && b - before > 0 && first[a - before - 1] === second[b - before - 1]) before += 1;
  let length = 0;
  while (a + length < first.length && b + length < second.length && first[a + length] === second[b + length]) {
    length += 1;
  }
  return { a: a - before, b: b - before, length: before + length };
}

function inSource({ places }: NormalisedText, start: number, length: number) {
  return { start: places[start] ?? 0, end: (places[start + length - 1] ?? 0) + 1 };
}
