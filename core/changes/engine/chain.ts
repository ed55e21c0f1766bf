import { textSum } from "../../kernel";

/** What stands before the first entry of a journal. */
export const CHAIN_START = "";

/** What an entry's sum in its chain is worked out from: the sum of the entry before, and the text as it is stored. */
export const chainText = (before: string, text: string): string => `${before}\n${text}`;

/**
 * The sum of an entry in its chain: SHA-256 over the sum of the entry before and the text as it was stored. Whoever changes,
 * takes out or moves one entry changes the sums of all that come after it.
 */
export const chainSum = (before: string, text: string, sumOf: SumOf = textSum): string =>
  sumOf(chainText(before, text));

/** Works out the SHA-256 of a text's UTF-8 bytes; for many megabytes there are faster ways than the plain one. */
export type SumOf = (text: string) => string;

/** The sums of texts that follow one another, each in its chain. */
export function chainSums(texts: readonly string[], before: string = CHAIN_START): string[] {
  let last = before;
  return texts.map((text) => (last = chainSum(last, text)));
}

/** A whole journal as it was stored, with the sums that were stored beside it. */
export interface Chain {
  /** The entries from the first on, each as the text that was written then. */
  readonly texts: readonly string[];
  readonly sums: readonly string[];
  /** How many entries from the first on got their sums later than they were written: of what was done to them before, nothing tells. */
  readonly unproven: number;
}

/** A chain for entries that come without one: as it begins now, it proves nothing of what was before. */
export function newChain(entries: readonly unknown[]): Chain {
  const texts = entries.map((entry) => JSON.stringify(entry));
  return { texts, sums: chainSums(texts), unproven: entries.length };
}

/** Entries that follow one another, on their way to be checked. */
export interface ChainPiece extends Pick<Chain, "texts" | "sums"> {
  /** The sum that stands before the first of them. */
  readonly before: string;
}

/** Entries of one piece, and letters of them: small enough to be packed, kept and handed about at once. */
const MOST_ENTRIES = 200;
const MOST_LETTERS = 4_000_000;

/** Whether so many entries with so many letters make a piece. */
export const isFullPiece = (entries: number, letters: number): boolean =>
  entries >= MOST_ENTRIES || letters >= MOST_LETTERS;

/** A chain cut into pieces of a good size, each with the place of its first entry from `first` on. */
export function* piecesOf(
  { texts, sums, before }: ChainPiece,
  first = 1,
): Generator<ChainPiece & { readonly first: number }> {
  for (let from = 0, to = 0, letters = 0; to < texts.length;) {
    letters += texts[to]?.length ?? 0;
    to += 1;
    if (to < texts.length && !isFullPiece(to - from, letters)) continue;
    yield {
      first: first + from,
      texts: texts.slice(from, to),
      sums: sums.slice(from, to),
      before: from === 0 ? before : (sums[from - 1] ?? before),
    };
    [from, letters] = [to, 0];
  }
}

/** The first entry whose sum is not what it must be, counted from 0 within the piece; null where all fit. */
export function brokenLink({ texts, sums, before }: ChainPiece, sumOf: SumOf = textSum): number | null {
  let last = before;
  for (const [place, text] of texts.entries()) {
    const sum = chainSum(last, text, sumOf);
    if (sum !== sums[place]) return place;
    last = sum;
  }
  return texts.length === sums.length ? null : texts.length;
}

/** Digits that a person reads out and compares; a hundred bits, more than anybody can hit on purpose. */
const DIGITS = 30;
const GROUP = 5;

/** The seal of a journal: its last sum as six groups of five digits. */
export function sealDigits(sum: string): string {
  if (sum === CHAIN_START) return "";
  const digits = (BigInt(`0x${sum}`) % 10n ** BigInt(DIGITS)).toString().padStart(DIGITS, "0");
  return (digits.match(new RegExp(`.{${String(GROUP)}}`, "g")) ?? []).join(" ");
}

/** The place, from 1 on, of the entry after which the journal had this seal; null where it never had. */
export function placeOfSeal(sums: readonly string[], seal: string): number | null {
  const wanted = seal.replace(/\D/g, "");
  if (wanted.length !== DIGITS) return null;
  const place = sums.findIndex((sum) => sealDigits(sum).replaceAll(" ", "") === wanted);
  return place < 0 ? null : place + 1;
}
