import type { Migration } from "./index";

/**
 * From layout 5 on, seals have moments for parts of the class, totals are given out as copies, and there is a post
 * office. As before, the old snapshots go and the journal makes them again.
 */
export const releaseAndPost: Migration = {
  number: 5,
  name: "release-and-post",
  migrate: async ({ snapshots }) => {
    for (const slot of await snapshots.keys()) await snapshots.remove(slot);
  },
};
