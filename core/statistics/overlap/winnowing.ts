/**
 * Winnowing (Schleimer, S., Wilkerson, D. S. & Aiken, A., 2003, Local algorithms for document fingerprinting, Proc. ACM
 * SIGMOD, 76-85): of every window of `w` hashes of k-grams the smallest is kept, the rightmost of equals, each place once.
 * Any run of at least `w + k - 1` characters that two texts share leaves a shared fingerprint.
 */

/** A kept hash and the place of its k-gram in the normalised text. */
export interface Fingerprint {
  readonly hash: number;
  readonly at: number;
}

/** The fingerprints of a list of k-gram hashes. @throws RangeError when `window` is below 1 */
export function winnow(hashes: readonly number[], window: number): Fingerprint[] {
  if (window < 1) throw new RangeError("a window holds at least one hash");
  const kept: Fingerprint[] = [];
  for (let first = 0; first + window <= hashes.length || (first === 0 && hashes.length > 0); first += 1) {
    let at = first;
    for (let place = first; place < Math.min(first + window, hashes.length); place += 1) {
      if ((hashes[place] ?? 0) <= (hashes[at] ?? 0)) at = place;
    }
    if (kept.at(-1)?.at !== at) kept.push({ hash: hashes[at] ?? 0, at });
  }
  return kept;
}

/** A normalised text with the place of each of its characters in the text it was made from. */
export interface NormalisedText {
  readonly text: string;
  /** Place of each character, in UTF-16 units of the source. */
  readonly places: readonly number[];
}

/** Letters and digits only, in lower case, without accents. */
export function normalise(source: string): NormalisedText {
  let text = "";
  const places: number[] = [];
  for (let index = 0; index < source.length;) {
    const character = String.fromCodePoint(source.codePointAt(index) ?? 0);
    const plain = character.normalize("NFKD").replace(/\p{M}/gu, "").toLowerCase();
    for (const part of plain) {
      if (!/[\p{L}\p{N}]/u.test(part)) continue;
      text += part;
      for (let unit = 0; unit < part.length; unit += 1) places.push(index);
    }
    index += character.length;
  }
  return { text, places };
}

const BASE = 257;
/** A prime below 2^26, so that products stay exact in doubles. */
const MODULUS = 67_108_859;

/** Hashes of all runs of `length` characters, rolling from one to the next (Karp & Rabin, 1987). */
export function rollingHashes(text: string, length: number): number[] {
  if (text.length < length) return [];
  let lead = 1;
  for (let index = 1; index < length; index += 1) lead = (lead * BASE) % MODULUS;
  let hash = 0;
  const hashes: number[] = [];
  for (let index = 0; index < text.length; index += 1) {
    if (index >= length) hash = (hash + MODULUS - ((text.charCodeAt(index - length) * lead) % MODULUS)) % MODULUS;
    hash = (hash * BASE + text.charCodeAt(index)) % MODULUS;
    if (index >= length - 1) hashes.push(hash);
  }
  return hashes;
}
