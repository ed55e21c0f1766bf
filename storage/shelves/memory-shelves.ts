import type { Neighbours, Shelf, Shelves } from "./shelf";

/** A store in memory that clones what it keeps, as the browser's does. */
export function memoryShelf(): Shelf {
  const kept = new Map<string, unknown>();
  return {
    get: (key) => Promise.resolve(kept.has(key) ? structuredClone(kept.get(key)) : null),
    set: (key, value) => {
      kept.set(key, structuredClone(value));
      return Promise.resolve();
    },
    remove: (key) => {
      kept.delete(key);
      return Promise.resolve();
    },
    keys: () => Promise.resolve([...kept.keys()]),
  };
}

export const memoryShelves = (): Shelves => ({
  meta: memoryShelf(),
  journal: memoryShelf(),
  snapshots: memoryShelf(),
  files: memoryShelf(),
  hurried: memoryShelf(),
  drafts: memoryShelf(),
});

/** Tabs of one test: those made by the same call share locks and announcements. */
export function memoryNeighbours(): () => Neighbours {
  const queues = new Map<string, Promise<unknown>>();
  const tabs = new Set<(slot: string) => void>();
  return () => {
    let own: ((slot: string) => void) | null = null;
    return {
      alone: (name, job) => {
        const run = (queues.get(name) ?? Promise.resolve()).then(job, job);
        queues.set(
          name,
          run.catch(() => null),
        );
        return run;
      },
      announce: (slot) => {
        for (const tab of tabs)
          if (tab !== own)
            queueMicrotask(() => {
              tab(slot);
            });
      },
      listen: (heard) => {
        own = heard;
        tabs.add(heard);
        return () => {
          tabs.delete(heard);
        };
      },
    };
  };
}
