import type { FileId } from "#core/kernel";
import type { CourseShelves } from "./shelves/shelf";

/** How many files are written side by side: with one alone the disk waits for the page, and the page for the disk. */
const SIDE_BY_SIDE = 8;

/**
 * Writes the files of a course. Where one of them cannot be written it throws, and not before those beside it have ended:
 * whoever clears up then finds all of them.
 */
export async function writeFiles(
  { files: shelf }: CourseShelves,
  slot: string,
  files: ReadonlyMap<FileId, Blob>,
): Promise<void> {
  const all = [...files];
  for (let from = 0; from < all.length; from += SIDE_BY_SIDE) {
    const beside = all.slice(from, from + SIDE_BY_SIDE);
    const written = await Promise.allSettled(beside.map(([id, blob]) => shelf.set(`${slot}/${id}`, blob)));
    for (const one of written) if (one.status === "rejected") throw one.reason;
  }
}
