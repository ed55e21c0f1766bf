import type { Migration } from "./index";

/**
 * Blocks and snapshots are written packed from here on. Those written before are read as they are, so there is nothing to
 * bring over; the number keeps an earlier application from opening what it cannot read.
 */
export const packedJournal: Migration = { number: 6, name: "packed-journal", migrate: () => Promise.resolve() };
