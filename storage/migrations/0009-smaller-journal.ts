import { smallerBlock, wholeBlock } from "../journal/old-entries";
import type { Migration } from "./index";

/**
 * From layout 9 on, entries in blocks are stored made smaller: a tenth of what they were. Each block that is whole is
 * written over in one write, its entries and their sums as they were; one that cannot be read or written stays as it is.
 */
export const smallerJournal: Migration = {
  number: 9,
  name: "smaller-journal",
  migrate: async ({ journal }) => {
    for (const key of await journal.keys()) {
      const [, kind, number] = key.split("/");
      if (kind !== "block") continue;
      const stored = await journal.get(key).catch(() => null);
      const whole = await wholeBlock(stored, Number(number)).catch(() => null);
      // Blocks of a locked course are made smaller when they are gathered the next time: here they cannot be read.
      if (!whole?.ends) continue;
      const smaller = await smallerBlock(stored as Parameters<typeof smallerBlock>[0]);
      if (smaller !== stored) await journal.set(key, smaller).catch(() => null);
    }
  },
};
