import type { Shelves } from "./shelves/shelf";
import { isMetaOf, isScreenKeyOf } from "./journal/meta-keys";

const READING = "reading/";

/** Whether a key of a shelf beside `meta` goes with a course; what screens remember stands on the hurried one for a while. */
const isOf = (key: string, slot: string): boolean =>
  key === slot || key.startsWith(`${slot}/`) || isScreenKeyOf(key, slot);

/**
 * A name under which nothing at all lies yet, listed or not: what an interrupted reading left behind must never become
 * part of another course. The wish, or the wish with a number.
 */
export async function freeSlot(shelves: Shelves, wish: string): Promise<string> {
  const { meta, journal, snapshots, files, hurried, drafts } = shelves;
  const stores = await Promise.all([journal, snapshots, files, hurried, drafts].map((shelf) => shelf.keys()));
  const own = (await meta.keys())
    .filter((key) => /^(course|reading)\//.test(key))
    .map((key) => key.split("/")[1] ?? "");
  const stored = stores.flat();
  for (let number = 1; ; number += 1) {
    const slot = number === 1 ? wish : `${wish}-${String(number)}`;
    if (!own.includes(slot) && !stored.some((key) => isOf(key, slot))) return slot;
  }
}

/** Says that a course is being written under a slot, and is nothing until that is taken back. */
export const beginReading = (shelves: Shelves, slot: string): Promise<void> =>
  shelves.meta.set(`${READING}${slot}`, true);

/** The course under a slot is whole. */
export const endReading = (shelves: Shelves, slot: string): Promise<void> => shelves.meta.remove(`${READING}${slot}`);

/** Slots in which a course is being written, or was when the writing was cut short. */
export const slotsBeingRead = async ({ meta }: Shelves): Promise<string[]> =>
  (await meta.keys()).filter((key) => key.startsWith(READING)).map((key) => key.slice(READING.length));

/** Clears away what readings that were cut short have left; a course that is listed is never touched. */
export async function clearCutShort(shelves: Shelves, listed: ReadonlySet<string>): Promise<void> {
  for (const slot of await slotsBeingRead(shelves)) {
    if (!listed.has(slot)) {
      for (const shelf of [shelves.journal, shelves.snapshots, shelves.files, shelves.hurried, shelves.drafts]) {
        for (const key of await shelf.keys()) if (isOf(key, slot)) await shelf.remove(key);
      }
      for (const key of await shelves.meta.keys()) if (isMetaOf(key, slot)) await shelves.meta.remove(key);
    }
    await endReading(shelves, slot);
  }
}
