import { normalise, rollingHashes, winnow, type Fingerprint, type NormalisedText } from "./winnowing";

/** How fine overlap is looked for: shared runs of `window + run - 1` letters and digits are always found. */
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
}

/**
 * All pairs of texts that share a run. What they share with `boilerplate` (the task's own text) is taken out first, and
 * every match is looked up in the texts themselves, so that equal hashes of different words never count.
 */
export function findOverlaps(
  texts: readonly OverlapText[],
  boilerplate = "",
  settings: OverlapSettings = OVERLAP_DEFAULTS,
): Overlap[] {
  const common = new Set(rollingHashes(normalise(boilerplate).text, settings.run));
  const prepared = texts.map(({ id, text }): Prepared => {
    const source = normalise(text);
    const prints = winnow(rollingHashes(source.text, settings.run), settings.window);
    return { id, source, prints: prints.filter(({ hash }) => !common.has(hash)) };
  });
  const pairs = new Map<string, { a: number; b: number; seeds: [number, number][] }>();
  const places = new Map<number, [number, number][]>();
  prepared.forEach(({ prints }, text) => {
    for (const { hash, at } of prints) {
      const seen = places.get(hash) ?? [];
      for (const [other, place] of seen) {
        if (other === text) continue;
        const key = `${String(other)}/${String(text)}`;
        const pair = pairs.get(key) ?? { a: other, b: text, seeds: [] };
        pair.seeds.push([place, at]);
        pairs.set(key, pair);
      }
      places.set(hash, [...seen, [text, at]]);
    }
  });
  return [...pairs.values()]
    .flatMap(({ a, b, seeds }) => {
      const [first, second] = [prepared[a], prepared[b]];
      return first && second ? compareTexts(first, second, seeds, settings.run) : [];
    })
    .sort((one, other) => other.share - one.share);
}

function compareTexts(
  first: Prepared,
  second: Prepared,
  seeds: readonly (readonly [number, number])[],
  run: number,
): Overlap[] {
  const passages: SharedPassage[] = [];
  let shared = 0;
  let covered = -1;
  for (const [a, b] of [...seeds].sort((x, y) => x[0] - y[0])) {
    if (a < covered || first.source.text.slice(a, a + run) !== second.source.text.slice(b, b + run)) continue;
    const grown = grow(first.source.text, second.source.text, a, b);
    covered = grown.a + grown.length;
    shared += grown.length;
    passages.push({
      first: inSource(first.source, grown.a, grown.length),
      second: inSource(second.source, grown.b, grown.length),
      length: grown.length,
    });
  }
  const shorter = Math.min(first.source.text.length, second.source.text.length);
  if (passages.length === 0) return [];
  passages.sort((x, y) => y.length - x.length);
  return [{ firstId: first.id, secondId: second.id, passages, share: Math.min(1, shared / shorter) }];
}

/** The longest run around two places that are the same. */
function grow(first: string, second: string, a: number, b: number) {
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
