import type { Migration } from "./index";

/**
 * From layout 3 on, remarks have colours and a course has phrases. As before, the old snapshots go and the journal makes
 * them again.
 */
export const remarksAndPhrases: Migration = {
  number: 3,
  name: "remarks-and-phrases",
  migrate: async ({ snapshots }) => {
    for (const slot of await snapshots.keys()) await snapshots.remove(slot);
  },
};
