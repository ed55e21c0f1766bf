import { distance } from "fastest-levenshtein";

/** Letters of a word from which one slip, and from which two slips, are forgiven. */
const ONE_SLIP = 4;
const TWO_SLIPS = 8;

/** How many letters two words are apart, two neighbours in each other's place counting as one. */
export function lettersApart(one: string, other: string): number {
  return isSwap(one, other) ? 1 : distance(one, other);
}

function isSwap(one: string, other: string): boolean {
  if (one.length !== other.length) return false;
  const apart = [...one].flatMap((letter, index) => (letter === other[index] ? [] : [index]));
  const [first = -1, second = -1] = apart;
  return apart.length === 2 && second === first + 1 && one[first] === other[second] && one[second] === other[first];
}

/** How many slips a word of this length is forgiven. */
export const slipsForgiven = (word: string): 0 | 1 | 2 =>
  word.length >= TWO_SLIPS ? 2 : word.length >= ONE_SLIP ? 1 : 0;

/** The word, and what is left of it without one or two of its letters. */
function shortenings(word: string, slips: number): ReadonlySet<string> {
  const found = new Set([word]);
  let last = [word];
  for (let slip = 0; slip < slips; slip += 1) {
    last = last.flatMap((one) => [...one].map((_, index) => one.slice(0, index) + one.slice(index + 1)));
    for (const one of last) found.add(one);
  }
  return found;
}

/**
 * Finds the words that are almost another one. Two words that a slip parts share what is left when each loses a letter, so
 * a large roster is asked without comparing every pair.
 */
export class LikenessIndex {
  readonly #by = new Map<string, Set<string>>();

  constructor(words: Iterable<string>) {
    for (const word of new Set(words)) {
      for (const short of shortenings(word, slipsForgiven(word))) {
        const there = this.#by.get(short);
        if (there) there.add(word);
        else this.#by.set(short, new Set([word]));
      }
    }
  }

  /** Known words that are not the word itself and no more slips away than the shorter of both is forgiven. */
  near(word: string): readonly { readonly word: string; readonly apart: number }[] {
    const allowed = slipsForgiven(word);
    if (allowed === 0) return [];
    const candidates = new Set([...shortenings(word, allowed)].flatMap((short) => [...(this.#by.get(short) ?? [])]));
    return [...candidates].flatMap((known) => {
      const apart = lettersApart(word, known);
      return apart > 0 && apart <= Math.min(allowed, slipsForgiven(known)) ? [{ word: known, apart }] : [];
    });
  }
}
