import localforage from "localforage";
import { memoryShelf } from "./memory-shelves";
import type { Neighbours, Shelf, Shelves } from "./shelf";

const DATABASE = "upright-quill";

function localShelf(
  storeName: string,
  driver = localforage.INDEXEDDB,
): Shelf & { readonly ready: () => Promise<void> } {
  const store = localforage.createInstance({ name: DATABASE, storeName, driver });
  return {
    ready: () => store.ready(),
    get: (key) => store.getItem<unknown>(key),
    set: async (key, value) => {
      await store.setItem(key, value);
    },
    remove: (key) => store.removeItem(key),
    keys: () => store.keys(),
  };
}

/**
 * The browser's own stores. All are opened here, one after the other: a store made later would raise the database's
 * version and close the connections of other tabs.
 */
export async function openLocalShelves(): Promise<Shelves> {
  const shelves = {
    meta: localShelf("meta"),
    journal: localShelf("journal"),
    snapshots: localShelf("snapshots"),
    files: localShelf("files"),
  };
  askForDurableWrites();
  for (const shelf of Object.values(shelves)) await shelf.ready();
  return { ...shelves, hurried: await promptShelf("hurried"), drafts: await promptShelf("drafts") };
}

let asked = false;

/**
 * Asks that a write into the journal counts as done only when it is on the disk (IndexedDB 3.0, durability "strict"):
 * what the bar calls kept outlives a power cut too. localForage has no place for this wish, so it is added on the way.
 */
function askForDurableWrites(): void {
  if (asked || typeof IDBDatabase === "undefined") return;
  asked = true;
  // oxlint-disable-next-line typescript/unbound-method -- called with the database it is called on
  const plain = IDBDatabase.prototype.transaction;
  IDBDatabase.prototype.transaction = function (names, mode, options) {
    const isJournal = this.name === DATABASE && mode === "readwrite" && [names].flat().includes("journal");
    return plain.call(this, names, mode, isJournal ? { durability: "strict", ...options } : options);
  };
}

/** The one store of the browser that has kept a value when the call returns. Without it, changes are kept as fast as the database writes. */
async function promptShelf(storeName: string): Promise<Shelf> {
  if (!localforage.supports(localforage.LOCALSTORAGE)) return memoryShelf();
  const shelf = localShelf(storeName, localforage.LOCALSTORAGE);
  await shelf.ready();
  return shelf;
}

/** Web Locks keep two tabs from writing the same journal entry; a BroadcastChannel tells them of new ones. */
export function browserNeighbours(): Neighbours {
  const channel = new BroadcastChannel(DATABASE);
  return {
    alone: (name, job) => navigator.locks.request(`${DATABASE}/${name}`, job),
    announce: (slot) => {
      channel.postMessage(slot);
    },
    listen: (heard) => {
      const onMessage = (event: MessageEvent<unknown>) => {
        if (typeof event.data === "string") heard(event.data);
      };
      channel.addEventListener("message", onMessage);
      return () => {
        channel.removeEventListener("message", onMessage);
      };
    },
  };
}
