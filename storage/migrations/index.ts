import type { Shelves } from "../shelves/shelf";
import { cutTables } from "./0002-cut-tables";
import { remarksAndPhrases } from "./0003-remarks-and-phrases";
import { conversationsAndQuestions } from "./0004-conversations-and-questions";
import { releaseAndPost } from "./0005-release-and-post";
import { packedJournal } from "./0006-packed-journal";
import { sealedJournal } from "./0007-sealed-journal";
import { chainedJournal } from "./0008-chained-journal";
import { smallerJournal } from "./0009-smaller-journal";

/** One step of the stored layout. It may only add; what it replaces is removed by a later step. */
export interface Migration {
  /** From 1 without gaps; a released one is never edited. */
  readonly number: number;
  readonly name: string;
  readonly migrate: (shelves: Shelves) => Promise<void>;
}

/** Layout 1 is the first: there is nothing to bring over. */
export const MIGRATIONS: readonly Migration[] = [
  { number: 1, name: "first-layout", migrate: () => Promise.resolve() },
  cutTables,
  remarksAndPhrases,
  conversationsAndQuestions,
  releaseAndPost,
  packedJournal,
  sealedJournal,
  chainedJournal,
  smallerJournal,
];

const VERSION_KEY = "layout";

/** What is stored was written by a newer application; nothing was touched. */
export class NewerStorageError extends Error {
  constructor(
    readonly found: number,
    readonly known: number,
  ) {
    super(`stored layout ${String(found)} is newer than ${String(known)}`);
    this.name = "NewerStorageError";
  }
}

/**
 * Brings the stores to the newest layout, one step at a time. The number is written after each step is done, so a
 * step that was cut short runs again.
 * @throws NewerStorageError before anything is written
 */
export async function migrate(shelves: Shelves, migrations: readonly Migration[] = MIGRATIONS): Promise<void> {
  migrations.forEach(({ number, name }, index) => {
    if (number !== index + 1) throw new RangeError(`migration ${name} has number ${String(number)}`);
  });
  const stored = await shelves.meta.get(VERSION_KEY);
  const found = typeof stored === "number" && Number.isInteger(stored) && stored >= 0 ? stored : 0;
  if (found > migrations.length) throw new NewerStorageError(found, migrations.length);
  for (const step of migrations.slice(found)) {
    await step.migrate(shelves);
    await shelves.meta.set(VERSION_KEY, step.number);
  }
}
