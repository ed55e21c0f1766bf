import { CHAIN_START, newChain, type Chain, type Entry } from "#core/changes";
import { blockKey, entryKey, unprovenKey } from "./journal";
import { wholeBlock } from "./old-entries";
import { chainedEntry, sealEntry } from "./sealed";
import type { Shelves } from "./shelf";

/**
 * The journal of a course as its store has it: the texts that were written and the sums beside them, whether they fit or
 * not. `entries` are all that the session knows; those that the store does not have in the chain are chained on, and a
 * journal of which the store has nothing in a chain gets a new one.
 */
export async function readChain(shelves: Shelves, slot: string, entries: readonly Entry[]): Promise<Chain> {
  const texts: string[] = [];
  const sums: string[] = [];
  const { journal } = shelves;
  for (let seq = 1; seq <= entries.length; seq = texts.length + 1) {
    const block = await wholeBlock(await journal.get(blockKey(slot, seq)).catch(() => null), seq).catch(() => null);
    if (block?.piece) {
      const piece = block.piece();
      texts.push(...piece.texts);
      sums.push(...piece.sums);
      continue;
    }
    const single = chainedEntry(await journal.get(entryKey(slot, seq)).catch(() => null));
    const known = entries[seq - 1];
    if (!single && seq === 1) return newChain(entries);
    if (!single && !known) break;
    const { text, sum } = single ?? sealEntry(known as Entry, sums.at(-1) ?? CHAIN_START);
    texts.push(text);
    sums.push(sum);
  }
  const unproven = await journal.get(unprovenKey(slot)).catch(() => null);
  // A block may hold more than a session knows that has not heard of another tab yet.
  texts.length = sums.length = Math.min(texts.length, entries.length);
  return { texts, sums, unproven: typeof unproven === "number" ? unproven : 0 };
}
