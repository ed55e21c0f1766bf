import { ENTRY_SCHEMA, entrySchema, type Entry } from "#core/changes";
import { JournalError } from "./journal-error";
import { pack, unpack } from "./packed";
import { sumBeside, sumBesideNow } from "./sealed";

interface PackedBlock {
  readonly first: number;
  readonly count: number;
  /** Version of the newest entry's form. */
  readonly schema: number;
  readonly bytes: Uint8Array;
  /** Over the bytes and what stands beside them; blocks of layout 6 have none. */
  readonly sum?: string;
}

const beside = ({ first, count, schema }: PackedBlock): string => `${String(first)} ${String(count)} ${String(schema)}`;

/** Entries that follow one another, gathered. */
export function blockOf(entries: readonly Entry[]): Required<PackedBlock> {
  const block = {
    first: entries[0]?.seq ?? 1,
    count: entries.length,
    schema: ENTRY_SCHEMA,
    bytes: pack(entries),
  };
  return { ...block, sum: sumBesideNow(beside(block), block.bytes) };
}

/** Entries of a block that was found whole; they are unpacked when somebody looks. */
export interface WholeBlock {
  readonly first: number;
  readonly count: number;
  readonly entries: () => readonly Entry[];
}

/**
 * A block as it is stored, if it is whole. One without a sum is unpacked and held against its schema.
 * @throws JournalError when a newer application wrote it
 */
export async function wholeBlock(stored: unknown, first: number): Promise<WholeBlock | null> {
  if (typeof stored !== "object" || stored === null) return null;
  if (!isPacked(stored)) return blockOfList(stored, first);
  if (typeof stored.schema === "number" && stored.schema > ENTRY_SCHEMA) throw new JournalError("newer", first);
  if (stored.first !== first || !(stored.bytes instanceof Uint8Array)) return null;
  const { bytes, count } = stored;
  if (stored.sum === undefined) {
    const block = blockOfList(unpackedOrNull(bytes), first);
    return block?.count === count ? block : null;
  }
  if ((await sumBeside(beside(stored), bytes)) !== stored.sum) return null;
  let entries: readonly Entry[] | null = null;
  return { first, count, entries: () => (entries ??= unpack(bytes) as readonly Entry[]) };
}

const isPacked = (block: object): block is PackedBlock => "bytes" in block;

function blockOfList(list: unknown, first: number): WholeBlock | null {
  const parsed = entrySchema.array().safeParse(list);
  if (!parsed.success || parsed.data.length === 0) return null;
  if (parsed.data.some(({ seq }, index) => seq !== first + index)) return null;
  return { first, count: parsed.data.length, entries: () => parsed.data };
}

function unpackedOrNull(bytes: Uint8Array): unknown {
  try {
    return unpack(bytes);
  } catch {
    return null;
  }
}

/** The entries that stand in blocks, from 1 to `count`. */
export interface OldEntries {
  readonly count: number;
  readonly all: () => readonly Entry[];
}

/** A journal without blocks. */
export const NO_OLD_ENTRIES: OldEntries = { count: 0, all: () => [] };

/** The entries of blocks in any order, as far as they go without a gap. Blocks overlap where a gathering was cut short. */
export function oldEntries(blocks: readonly WholeBlock[]): OldEntries {
  const inOrder = [...blocks].sort((a, b) => a.first - b.first);
  const used: WholeBlock[] = [];
  let count = 0;
  for (const block of inOrder) {
    if (block.first > count + 1) break;
    used.push(block);
    count = Math.max(count, block.first + block.count - 1);
  }
  let all: readonly Entry[] | null = null;
  return {
    count,
    all: () => {
      if (all) return all;
      const bySeq = new Map(used.flatMap(({ entries }) => entries()).map((entry) => [entry.seq, entry]));
      return (all = [...bySeq.values()].sort((a, b) => a.seq - b.seq));
    },
  };
}
