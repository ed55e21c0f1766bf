import type { Shelves } from "../shelves/shelf";

/** Shelves whose journal takes so many writes; every one after them never ends, as where the browser is gone by then. */
export function endingAfter(shelves: Shelves, writes: number): Shelves {
  let left = writes;
  return {
    ...shelves,
    journal: {
      ...shelves.journal,
      set: (key, value) => ((left -= 1) < 0 ? new Promise<void>(() => undefined) : shelves.journal.set(key, value)),
    },
  };
}
