import { CHAIN_START, chainSum } from "#core/changes";
import { blockKey, entryKey, unprovenKey } from "../journal/journal";
import { blockOfTexts, textsOf, wholeBlock } from "../journal/old-entries";
import { openEntry } from "../journal/sealed";
import type { Shelves } from "../shelves/shelf";
import type { Migration } from "./index";

/**
 * From layout 8 on, each entry carries the sum of the one before. Journals are chained from their first entry as it stands
 * now, and it is put down up to where: of what was done to those entries before, the chain tells nothing. Each block and
 * entry is written over in one write; a migration that was cut short comes to the same sums when it runs again.
 */
export const chainedJournal: Migration = {
  number: 8,
  name: "chained-journal",
  migrate: async (shelves) => {
    const slots = new Set((await shelves.journal.keys()).map((key) => key.split("/")[0] ?? key));
    for (const slot of slots) await chainSlot(shelves, slot);
  },
};

async function chainSlot(shelves: Shelves, slot: string): Promise<void> {
  const keys = (await shelves.journal.keys()).filter((key) => key.startsWith(`${slot}/`));
  const numbers = (kind: string) =>
    keys
      .filter((key) => key.startsWith(`${slot}/${kind}/`))
      .map((key) => Number(key.slice(-9)))
      .sort((a, b) => a - b);
  /** The sum of each entry by its number. Blocks overlap where a gathering was cut short. */
  const sums = new Map<number, string>([[0, CHAIN_START]]);
  const before = (seq: number) => sums.get(seq - 1) ?? CHAIN_START;
  const link = (seq: number, text: string): string => {
    const sum = chainSum(before(seq), text);
    sums.set(seq, sum);
    return sum;
  };
  // What cannot be read, or not written, stays as it is; opening its course will say so.
  for (const first of numbers("block")) {
    const texts = await textsOfBlock(shelves, blockKey(slot, first), first).catch(() => null);
    if (!texts) continue;
    const piece = { before: before(first), texts, sums: texts.map((text, place) => link(first + place, text)) };
    await shelves.journal.set(blockKey(slot, first), blockOfTexts(first, piece)).catch(() => null);
  }
  for (const seq of numbers("entry")) {
    const sealed = await singleOf(shelves, entryKey(slot, seq), seq).catch(() => null);
    if (!sealed) continue;
    const sum = link(seq, sealed.text);
    const chained = { seq, schema: sealed.schema, text: sealed.text, before: before(seq), sum };
    await shelves.journal.set(entryKey(slot, seq), chained).catch(() => null);
  }
  await shelves.journal.set(unprovenKey(slot), Math.max(...sums.keys())).catch(() => null);
}

async function textsOfBlock({ journal }: Shelves, key: string, first: number): Promise<string[] | null> {
  const stored = await journal.get(key);
  const block = await wholeBlock(stored, first);
  if (!block) return null;
  const { bytes } = stored as { readonly bytes?: Uint8Array };
  return bytes ? textsOf(bytes) : block.entries().map((entry) => JSON.stringify(entry));
}

async function singleOf({ journal }: Shelves, key: string, seq: number) {
  const stored = await journal.get(key);
  const entry = openEntry(stored, seq);
  if (!entry) return null;
  const { text } = stored as { readonly text?: string };
  return { schema: entry.schema, text: text ?? JSON.stringify(entry) };
}
