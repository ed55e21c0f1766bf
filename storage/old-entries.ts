import { ENTRY_SCHEMA, type Entry } from "#core/changes";
import { JournalError } from "./journal-error";
import { pack, unpack } from "./packed";

/** Entries gathered under one key: packed, or as a list where an earlier version of the application gathered them. */
export type Block = readonly Entry[] | PackedBlock;

interface PackedBlock {
  readonly first: number;
  readonly count: number;
  /** Version of the newest entry's form. */
  readonly schema: number;
  readonly bytes: Uint8Array;
}

/** Entries that follow one another, gathered. */
export const blockOf = (entries: readonly Entry[]): Block => ({
  first: entries[0]?.seq ?? 1,
  count: entries.length,
  schema: ENTRY_SCHEMA,
  bytes: pack(entries),
});

/** The entries that stand in blocks, from 1 to `count`. They are unpacked when somebody looks that far back. */
export interface OldEntries {
  readonly count: number;
  readonly all: () => readonly Entry[];
}

/** A journal without blocks. */
export const NO_OLD_ENTRIES: OldEntries = { count: 0, all: () => [] };

const isPacked = (block: Block): block is PackedBlock => "bytes" in block;
const startOf = (block: Block): number => (isPacked(block) ? block.first : (block[0]?.seq ?? 1));
const lengthOf = (block: Block): number => (isPacked(block) ? block.count : block.length);
const entriesIn = (block: Block): readonly Entry[] =>
  isPacked(block) ? (unpack(block.bytes) as readonly Entry[]) : block;

/**
 * The entries of blocks in any order. Blocks may overlap where a gathering was cut short.
 * @throws JournalError where a block is missing or newer than this application
 */
export function oldEntries(blocks: readonly Block[]): OldEntries {
  const inOrder = [...blocks].sort((a, b) => startOf(a) - startOf(b));
  let count = 0;
  for (const block of inOrder) {
    if (isPacked(block) && block.schema > ENTRY_SCHEMA) throw new JournalError("newer", block.first);
    if (startOf(block) > count + 1) throw new JournalError("damaged", count + 1);
    count = Math.max(count, startOf(block) + lengthOf(block) - 1);
  }
  let all: readonly Entry[] | null = null;
  return {
    count,
    all: () => {
      if (all) return all;
      const bySeq = new Map(inOrder.flatMap(entriesIn).map((entry) => [entry.seq, entry]));
      return (all = [...bySeq.values()].sort((a, b) => a.seq - b.seq));
    },
  };
}
