import type { Migration } from "./index";

/**
 * From layout 2 on, tables with a record for every student and assignment are kept cut by assignment, and assignments,
 * students and results have more fields. A snapshot only saves replaying the journal, so the old ones go; the journal,
 * which is the course, stays untouched, and its old records are completed when they are applied.
 */
export const cutTables: Migration = {
  number: 2,
  name: "cut-tables",
  migrate: async ({ snapshots }) => {
    for (const slot of await snapshots.keys()) await snapshots.remove(slot);
  },
};
