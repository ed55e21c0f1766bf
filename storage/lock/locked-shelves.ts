import type { CourseShelves, Shelf, Shelves } from "../shelves/shelf";
import { isScreenKeyOf } from "../journal/meta-keys";
import { isTrayKey } from "../tray-keys";
import type { Cipher } from "./cipher";

type ShelfName = "journal" | "snapshots" | "files" | "meta" | "hurried" | "drafts";

const placeOf = (shelf: ShelfName, key: string): string => `${shelf}/${key}`;

/** A shelf whose values are sealed by the browser, beside the page. `isOwn` says which keys are. */
const sealedShelf = (
  shelf: Shelf,
  name: ShelfName,
  cipher: Cipher,
  isOwn: (key: string) => boolean = () => true,
): Shelf => ({
  ...shelf,
  get: async (key) => {
    const stored = await shelf.get(key);
    return stored === null || !isOwn(key) ? stored : cipher.open(placeOf(name, key), stored);
  },
  set: async (key, value) => shelf.set(key, isOwn(key) ? await cipher.seal(placeOf(name, key), value) : value),
});

/** A shelf whose values are sealed within the turn in which they are set. */
const promptlySealed = (shelf: Shelf, name: ShelfName, cipher: Cipher): Shelf => ({
  ...shelf,
  get: async (key) => {
    const stored = await shelf.get(key);
    return stored === null ? null : cipher.openNow(placeOf(name, key), stored);
  },
  set: (key, value) => shelf.set(key, cipher.sealNow(placeOf(name, key), value)),
});

/** Half-typed things lie by their place, which may name people: here the place is sealed with what stands in it. */
function sealedDrafts(shelf: Shelf, slot: string, cipher: Cipher): Shelf {
  const own = promptlySealed(shelf, "drafts", cipher);
  const hidden = (key: string) => `${slot}/${cipher.nameFor(key)}`;
  const keyOf = (opened: unknown): string | null =>
    typeof opened === "object" && opened !== null && "key" in opened && typeof opened.key === "string"
      ? opened.key
      : null;
  return {
    get: async (key) => {
      const opened = await own.get(hidden(key));
      return keyOf(opened) === key ? (opened as { readonly value: unknown }).value : null;
    },
    set: (key, value) => own.set(hidden(key), { key, value }),
    remove: (key) => own.remove(hidden(key)),
    keys: async () => {
      const stored = (await shelf.keys()).filter((key) => key.startsWith(`${slot}/`));
      const opened = await Promise.all(stored.map((key) => own.get(key).catch(() => null)));
      return opened.flatMap((one) => keyOf(one) ?? []);
    },
  };
}

/** The stores as one locked course sees them: everything that is its own is sealed on its way in and opened on its way out. */
export function lockedShelves(shelves: Shelves, slot: string, cipher: Cipher, knownAs: () => string): CourseShelves {
  const isOwnMeta = (key: string) => isTrayKey(key, slot) || isScreenKeyOf(key, slot);
  return {
    meta: sealedShelf(shelves.meta, "meta", cipher, isOwnMeta),
    journal: sealedShelf(shelves.journal, "journal", cipher),
    snapshots: sealedShelf(shelves.snapshots, "snapshots", cipher),
    files: sealedShelf(shelves.files, "files", cipher),
    hurried: promptlySealed(shelves.hurried, "hurried", cipher),
    drafts: sealedDrafts(shelves.drafts, slot, cipher),
    get knownAs() {
      return knownAs();
    },
  };
}
