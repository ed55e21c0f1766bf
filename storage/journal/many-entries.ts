import { CHAIN_START, piecesOf, type Chain, type ChainPiece, type Entry, type History } from "#core/changes";
import { packedPiece, type PackedPiece } from "#core/formats";
import type { PackedState } from "#core/model";
import { blockKey, entryKey, gatheredKey, unprovenKey, writeHead, type Ledger } from "./journal";
import { blockOfPiece } from "./old-entries";
import { chainedEntry, sealEntry } from "./sealed";
import type { Shelves } from "../shelves/shelf";
import { snapshotOf, storedSnapshot } from "./snapshot";

/** What writes many entries at once, or the state beside them; fetched when that is due, which no first screen waits for. */

/** Entries written singly before they are gathered into blocks beside a snapshot. */
const BLOCK = 200;

/**
 * Gathers old single entries into blocks and keeps the state beside them, so that opening stays fast. Written in an
 * order that leaves a whole journal at every moment: blocks, snapshot, and only then the singles go. The newest stay
 * single, because another tab looks for them by key.
 */
export async function compact(shelves: Shelves, slot: string, ledger: Ledger): Promise<void> {
  const singles = (await shelves.journal.keys()).filter((key) => key.startsWith(`${slot}/entry/`)).sort();
  if (singles.length < 2 * BLOCK) return;
  const old = singles.slice(0, -BLOCK);
  const seqs = new Set(old.map((key) => Number(key.slice(-9))));
  // What stands in a block already must not be gathered again; its single was only not removed.
  const gathered = ledger.recent.filter(({ seq }) => seqs.has(seq));
  const first = gathered[0];
  if (first) await writeBlocks(shelves, slot, first.seq, await storedPiece(shelves, slot, gathered));
  await keepSnapshot(shelves, slot, ledger);
  await shelves.journal.set(gatheredKey(slot), Math.max(...seqs));
  // All asked for at once: a score that is typed meanwhile waits for the last of them.
  await Promise.all(old.map((key) => shelves.journal.remove(key)));
}

/** Single entries with the texts and the sums that were stored of them, so that the chain stays what it was. */
async function storedPiece(shelves: Shelves, slot: string, entries: readonly Entry[]): Promise<ChainPiece> {
  const stored = await Promise.all(entries.map(({ seq }) => shelves.journal.get(entryKey(slot, seq))));
  const before = chainedEntry(stored[0])?.before ?? CHAIN_START;
  let last = before;
  const links = entries.map((entry, place) => {
    const { text, sum } = chainedEntry(stored[place]) ?? sealEntry(entry, last);
    last = sum;
    return { text, sum };
  });
  return { before, texts: links.map(({ text }) => text), sums: links.map(({ sum }) => sum) };
}

/** Keeps entries as blocks of a good size, the first of them with the number `first`. */
async function writeBlocks(shelves: Shelves, slot: string, first: number, all: ChainPiece): Promise<void> {
  for (const piece of piecesOf(all, first)) await writeBlock(shelves, slot, await packedPiece(piece, piece.first));
}

const writeBlock = async (shelves: Shelves, slot: string, piece: PackedPiece): Promise<void> =>
  shelves.journal.set(blockKey(slot, piece.first), await blockOfPiece(piece));

/** Keeps the state beside the journal, so that the next opening need not replay it. */
export const keepSnapshot = (shelves: Shelves, slot: string, { seq, state, history }: Ledger): Promise<void> =>
  shelves.snapshots.set(slot, storedSnapshot(seq, state, history));

/** Keeps a whole journal at once, as when a course is copied, with the texts and the sums that came with it. */
export async function writeWholeJournal(
  shelves: Shelves,
  slot: string,
  ledger: Ledger,
  { texts, sums, unproven }: Chain,
): Promise<void> {
  await writeBlocks(shelves, slot, 1, { texts, sums, before: CHAIN_START });
  await keepSnapshot(shelves, slot, ledger);
  await endWhole(shelves, slot, texts.length, unproven);
}

/** A journal in pieces, and what it leads to, worked out where it was read. */
export interface PackedJournal {
  readonly pieces: readonly PackedPiece[];
  readonly count: number;
  readonly unproven: number;
  readonly state: PackedState;
  readonly history: History;
}

/** Keeps a whole journal that was read elsewhere, as when a course file is read in. */
export async function writePackedJournal(shelves: Shelves, slot: string, journal: PackedJournal): Promise<void> {
  for (const piece of journal.pieces) await writeBlock(shelves, slot, piece);
  await shelves.snapshots.set(slot, snapshotOf(journal.count, journal.state, journal.history));
  await endWhole(shelves, slot, journal.count, journal.unproven);
}

/** What stands beside a whole journal. */
async function endWhole(shelves: Shelves, slot: string, count: number, unproven: number): Promise<void> {
  await shelves.journal.set(unprovenKey(slot), unproven);
  await shelves.journal.set(gatheredKey(slot), count);
  await writeHead(shelves, slot, count);
}
