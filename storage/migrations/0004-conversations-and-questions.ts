import type { Migration } from "./index";

/**
 * From layout 4 on, a course has conversations, posts and questions, and remarks may be for a whole group. As before,
 * the old snapshots go and the journal makes them again.
 */
export const conversationsAndQuestions: Migration = {
  number: 4,
  name: "conversations-and-questions",
  migrate: async ({ snapshots }) => {
    for (const slot of await snapshots.keys()) await snapshots.remove(slot);
  },
};
