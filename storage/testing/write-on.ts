import type { Entry } from "#core/changes";
import { entryKey, writeEntry } from "../journal/journal";
import { readJournal } from "../journal/read-journal";
import { chainedEntry } from "../journal/sealed";
import type { Shelves } from "../shelves/shelf";

/** Writes an entry behind the one before it, as a session does. */
export async function writeOn(shelves: Shelves, slot: string, entry: Entry): Promise<void> {
  const before = chainedEntry(await shelves.journal.get(entryKey(slot, entry.seq - 1)))?.sum;
  await writeEntry(shelves, slot, entry, before ?? (await sealBefore(shelves, slot)));
}

const sealBefore = (shelves: Shelves, slot: string): Promise<string> =>
  readJournal(shelves, slot).then(
    ({ ledger }) => ledger.seal,
    () => "",
  );
