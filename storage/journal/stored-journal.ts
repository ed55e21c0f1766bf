import { CHAIN_START, isFullPiece, newChain, piecesOf, type ChainPiece, type Entry } from "#core/changes";
import { openedPiece, packedPiece, sumsOf, type PackedPiece } from "#core/formats";
import { blockKey, entryKey, unprovenKey } from "./journal";
import { wholeBlock } from "./old-entries";
import { chainedEntry, sealEntry } from "./sealed";
import type { Shelves } from "../shelves/shelf";

/** The journal of a course as its store has it: the texts that were written and the sums beside them, whether they fit or not. */
export interface StoredJournal {
  /** How many entries it has. */
  readonly count: number;
  /** How many of them, from the first on, got their sums later than they were written. */
  readonly unproven: number;
  /** All of them, piece by piece; may be asked for again. */
  readonly pieces: () => AsyncIterable<PackedPiece>;
}

/** What a session knows of its journal. */
interface KnownEntries {
  readonly count: number;
  /** All of them; asked for only where the store lacks something. */
  readonly entries: () => readonly Entry[];
}

/** The journal of a course that is whole. What the store does not have in the chain is chained on. */
export async function storedJournal(shelves: Shelves, slot: string, known: KnownEntries): Promise<StoredJournal> {
  const isChained = (await linkAt(shelves, slot, 1)) ?? (await blockAt(shelves, slot, 1));
  if (!isChained) return newJournal(known.entries());
  const unproven = await shelves.journal.get(unprovenKey(slot)).catch(() => null);
  return {
    count: known.count,
    unproven: typeof unproven === "number" ? unproven : 0,
    pieces: () => piecesIn(shelves, slot, known),
  };
}

/** The journal of entries that have no chain: it begins now. */
export function newJournal(entries: readonly Entry[]): StoredJournal {
  const { texts, sums, unproven } = newChain(entries);
  return {
    count: entries.length,
    unproven,
    pieces: async function* () {
      for (const piece of piecesOf({ texts, sums, before: CHAIN_START })) yield packedPiece(piece, piece.first);
    },
  };
}

async function* piecesIn(shelves: Shelves, slot: string, known: KnownEntries): AsyncGenerator<PackedPiece> {
  let last: string = CHAIN_START;
  for (let seq = 1; seq <= known.count;) {
    const piece =
      (await singlesFrom(shelves, slot, { seq, last, count: known.count })) ??
      (await blockAround(shelves, slot, seq)) ??
      (await chainedOn(known, seq, last));
    const own = await between(piece, seq, known.count);
    yield own;
    seq += own.count;
    last = sumsOf(own.sums).at(-1) ?? last;
  }
}

const linkAt = async (shelves: Shelves, slot: string, seq: number) =>
  chainedEntry(await shelves.journal.get(entryKey(slot, seq)).catch(() => null));

async function blockAt(shelves: Shelves, slot: string, seq: number): Promise<PackedPiece | null> {
  const stored = await shelves.journal.get(blockKey(slot, seq)).catch(() => null);
  return (await wholeBlock(stored, seq).catch(() => null))?.piece ?? null;
}

/** The block that holds an entry; it need not begin with it where entries were gathered meanwhile. */
async function blockAround(shelves: Shelves, slot: string, seq: number): Promise<PackedPiece | null> {
  const own = await blockAt(shelves, slot, seq);
  if (own) return own;
  const starts = (await shelves.journal.keys())
    .filter((key) => key.startsWith(`${slot}/block/`))
    .map((key) => Number(key.slice(-9)))
    .filter((first) => first < seq);
  const before = starts.length === 0 ? null : await blockAt(shelves, slot, Math.max(...starts));
  return before && before.first + before.count > seq ? before : null;
}

/** A piece of single entries; null where the next one does not lie singly. */
async function singlesFrom(
  shelves: Shelves,
  slot: string,
  { seq, last, count }: { readonly seq: number; readonly last: string; readonly count: number },
): Promise<PackedPiece | null> {
  const texts: string[] = [];
  const sums: string[] = [];
  for (let letters = 0; seq + texts.length <= count && !isFullPiece(texts.length, letters);) {
    const link = await linkAt(shelves, slot, seq + texts.length);
    if (!link) break;
    texts.push(link.text);
    sums.push(link.sum);
    letters += link.text.length;
  }
  return texts.length === 0 ? null : packedPiece({ texts, sums, before: last }, seq);
}

/** One entry that the store does not have in the chain. */
function chainedOn({ entries }: KnownEntries, seq: number, last: string): Promise<PackedPiece> {
  const entry = entries()[seq - 1];
  if (!entry) throw new RangeError(`no entry ${String(seq)}`);
  const { text, sum, before } = sealEntry(entry, last);
  return packedPiece({ texts: [text], sums: [sum], before }, seq);
}

/** What a piece holds from one entry to another: a block may hold more than a session knows that has not heard of another tab yet. */
async function between(piece: PackedPiece, from: number, to: number): Promise<PackedPiece> {
  if (piece.first === from && piece.first + piece.count - 1 <= to) return piece;
  const { texts, sums, before }: ChainPiece = await openedPiece(piece);
  const [start, end] = [from - piece.first, to - piece.first + 1];
  const last = start === 0 ? before : (sums[start - 1] ?? before);
  return packedPiece({ texts: texts.slice(start, end), sums: sums.slice(start, end), before: last }, from);
}
