import type { ChainPiece } from "#core/changes";
import { deflated, inflated } from "../files/deflated";

/** Entries of a journal that follow one another, small enough to be kept and handed about: their texts as one list of JSON. */
export interface PackedPiece {
  /** The number of the first of them in the journal. */
  readonly first: number;
  readonly count: number;
  readonly bytes: Uint8Array<ArrayBuffer>;
  /** How the bytes were made smaller; null where they are the text itself. */
  readonly packing: "deflate" | null;
  /** The sum in the chain before the first entry, and those of all entries, one behind the other. */
  readonly before: string;
  readonly sums: string;
}

/** Letters of one sum. */
const SUM = 64;

/** Entries made small, where that pays. */
export async function packedPiece({ texts, sums, before }: ChainPiece, first: number): Promise<PackedPiece> {
  const open = new TextEncoder().encode(`[${texts.join(",")}]`);
  const smaller = await deflated(open);
  return {
    first,
    count: texts.length,
    bytes: smaller ?? open,
    packing: smaller ? "deflate" : null,
    before,
    sums: sums.join(""),
  };
}

/** The entries again, letter for letter: what JSON writes of what it read is what it had written before. */
export async function openedPiece({ bytes, packing, before, sums }: PackedPiece): Promise<ChainPiece> {
  const list = JSON.parse(new TextDecoder().decode(packing ? await inflated(bytes) : bytes)) as readonly unknown[];
  return { texts: list.map((entry) => JSON.stringify(entry)), sums: sumsOf(sums), before };
}

/** Sums that stand one behind the other. */
export const sumsOf = (sums: string): string[] =>
  Array.from({ length: sums.length / SUM }, (_, place) => sums.slice(place * SUM, (place + 1) * SUM));
