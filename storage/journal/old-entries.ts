import { z } from "zod/mini";
import { CHAIN_START, chainSums, ENTRY_SCHEMA, entrySchema, type ChainPiece, type Entry } from "#core/changes";
import { deflated, type PackedPiece } from "#core/formats";
import { inflating } from "./inflating";
import { JournalError } from "./journal-error";
import { unpack } from "./packed";
import { sumBeside, sumBesideNow } from "./sealed";

interface PackedBlock {
  readonly first: number;
  readonly count: number;
  /** Version of the newest entry's form. */
  readonly schema: number;
  readonly bytes: Uint8Array;
  /** How the bytes were made smaller; left out where they are the text itself, as they are up to layout 8. */
  readonly packing?: "deflate";
  /** The sum in the chain before the first entry, and those of all entries, one behind the other; blocks of layout 7 have none. */
  readonly before?: string;
  readonly sums?: string;
  /** Over the bytes and what stands beside them; blocks of layout 6 have none. */
  readonly sum?: string;
}

/** Letters of one sum. */
const SUM = 64;

const beside = ({ first, count, schema, before, sums, packing }: PackedBlock): string =>
  [first, count, schema, ...(before === undefined ? [] : [before, sums]), ...(packing ? [packing] : [])]
    .map(String)
    .join(" ");

/** A block as it is made, before it is made smaller. */
type OpenBlock = Required<Omit<PackedBlock, "packing">>;

/** Entries that follow one another, gathered: texts as they were written, with their sums in the chain. */
export function blockOfTexts(first: number, { texts, sums, before }: ChainPiece): OpenBlock {
  const block = {
    first,
    count: texts.length,
    schema: ENTRY_SCHEMA,
    // The list of the entries as JSON, each letter as it was.
    bytes: new TextEncoder().encode(`[${texts.join(",")}]`),
    before,
    sums: sums.join(""),
  };
  return { ...block, sum: sumBesideNow(beside(block), block.bytes) };
}

/** Entries that follow one another, gathered behind the one with the sum `before`. */
export function blockOf(entries: readonly Entry[], before: string = CHAIN_START): OpenBlock {
  const texts = entries.map((entry) => JSON.stringify(entry));
  return blockOfTexts(entries[0]?.seq ?? 1, { texts, sums: chainSums(texts, before), before });
}

/** A piece of a journal as a block. */
export async function blockOfPiece({ packing, ...piece }: PackedPiece): Promise<PackedBlock> {
  const block = { ...piece, schema: ENTRY_SCHEMA, ...(packing && { packing }) };
  return { ...block, sum: await sumBeside(beside(block), block.bytes) };
}

/** The same block with its text made smaller, where that pays; one that is so already stays as it is. */
export async function smallerBlock<Block extends PackedBlock>(block: Block): Promise<Block | PackedBlock> {
  const bytes = block.packing ? null : await deflated(block.bytes as Uint8Array<ArrayBuffer>);
  if (!bytes) return block;
  const smaller = { ...block, bytes, packing: "deflate" } as const;
  return { ...smaller, sum: await sumBeside(beside(smaller), bytes) };
}

/** Entries of a block that was found whole; they are unpacked when somebody looks. */
export interface WholeBlock {
  readonly first: number;
  readonly count: number;
  readonly entries: () => readonly Entry[];
  /** Its entries as they were written, with their sums; null for one that was gathered before there was a chain. */
  readonly piece: PackedPiece | null;
  /** The sums before its first and of its last entry; null where there is no chain. */
  readonly ends: { readonly before: string; readonly last: string } | null;
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
  const { before, sums, packing } = stored;
  // The text of a block stays small until somebody looks at it.
  const text = packing ? await inflating(bytes as Uint8Array<ArrayBuffer>) : () => bytes;
  const isChained = before !== undefined && sums?.length === count * SUM;
  return {
    first,
    count,
    entries: () => (entries ??= unpack(text()) as readonly Entry[]),
    piece: isChained
      ? { first, count, bytes: bytes as Uint8Array<ArrayBuffer>, packing: packing ?? null, before, sums }
      : null,
    ends: isChained ? { before, last: sums.slice(-SUM) } : null,
  };
}

/** The texts of packed entries: what JSON writes of what it read is what it had written before. */
export const textsOf = (bytes: Uint8Array): string[] =>
  (unpack(bytes) as readonly unknown[]).map((entry) => JSON.stringify(entry));

const isPacked = (block: object): block is PackedBlock => "bytes" in block;

function blockOfList(list: unknown, first: number): WholeBlock | null {
  const parsed = z.array(entrySchema).safeParse(list);
  if (!parsed.success || parsed.data.length === 0) return null;
  if (parsed.data.some(({ seq }, index) => seq !== first + index)) return null;
  return { first, count: parsed.data.length, entries: () => parsed.data, piece: null, ends: null };
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
  /** The sum of the last of them in the chain. */
  readonly seal: string;
  /** The first entry that does not follow the one before it in the chain; null where all do. */
  readonly broken: number | null;
}

/** A journal without blocks. */
export const NO_OLD_ENTRIES: OldEntries = { count: 0, all: () => [], seal: CHAIN_START, broken: null };

/** The entries of blocks in any order, as far as they go without a gap. Blocks overlap where a gathering was cut short. */
export function oldEntries(blocks: readonly WholeBlock[]): OldEntries {
  const inOrder = [...blocks].sort((a, b) => a.first - b.first);
  const used: WholeBlock[] = [];
  let count = 0;
  let seal = CHAIN_START;
  let broken: number | null = null;
  for (const block of inOrder) {
    if (block.first > count + 1) break;
    used.push(block);
    if (block.ends && block.first === count + 1 && block.ends.before !== seal) broken ??= block.first;
    const end = block.first + block.count - 1;
    if (end >= count) seal = block.ends?.last ?? CHAIN_START;
    count = Math.max(count, end);
  }
  let all: readonly Entry[] | null = null;
  return {
    count,
    seal,
    broken,
    all: () => {
      if (all) return all;
      const bySeq = new Map(used.flatMap(({ entries }) => entries()).map((entry) => [entry.seq, entry]));
      return (all = [...bySeq.values()].sort((a, b) => a.seq - b.seq));
    },
  };
}
