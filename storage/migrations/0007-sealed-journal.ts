import type { Entry } from "#core/changes";
import { textSum } from "#core/kernel";
import { blockOf, wholeBlock } from "../journal/old-entries";
import { openEntry, type SealedEntry } from "../journal/sealed";
import type { Shelves } from "../shelves/shelf";
import type { Migration } from "./index";

/**
 * From layout 7 on, entries, blocks and snapshots carry a sum of their content, so that damage is seen. Entries and blocks
 * get theirs from what they are now; each is written over in one write, and only when it was read whole. Snapshots go,
 * as before, and the journal makes them again.
 */
export const sealedJournal: Migration = {
  number: 7,
  name: "sealed-journal",
  migrate: async (shelves) => {
    for (const key of await shelves.journal.keys()) {
      // One that cannot be read, or not written, stays as it is; opening its course will say so.
      await sealKey(shelves, key).catch(() => null);
    }
    for (const slot of await shelves.snapshots.keys()) await shelves.snapshots.remove(slot);
  },
};

/** An entry as layout 7 stored it: with the sum of its text alone. The next step puts it in a chain. */
function unchained(entry: Entry): SealedEntry {
  const text = JSON.stringify(entry);
  return { seq: entry.seq, schema: entry.schema, text, sum: textSum(text) };
}

async function sealKey({ journal }: Shelves, key: string): Promise<void> {
  const [, kind, number] = key.split("/");
  if (kind !== "entry" && kind !== "block") return;
  const stored = await journal.get(key);
  if (typeof stored === "object" && stored !== null && "sum" in stored) return;
  if (kind === "entry") {
    const entry = openEntry(stored, Number(number));
    if (entry) await journal.set(key, unchained(entry));
  } else {
    const block = await wholeBlock(stored, Number(number));
    if (block) await journal.set(key, blockOf(block.entries()));
  }
}
