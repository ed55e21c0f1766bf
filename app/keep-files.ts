import type { FileId } from "#core/kernel";
import { mediaTypeOf, type WorkFile } from "#core/model";
import type { Repository } from "#storage";
import { untilTakenIn } from "./ui/hooks/under-way";

/** Most bytes of one file. */
const MOST_BYTES = 500_000_000;

/**
 * Keeps files in the browser's store and then lets the course name them; all of them, or none. What the course does not
 * come to name is let go again, so that nothing lies in the store that nobody knows of. Until then the bar does not say that
 * all is kept, and the page is not left without a word. Answers the words of what went wrong, or null.
 */
export const takeInFiles = (...taking: Parameters<typeof keptAndNamed>): Promise<string | null> =>
  untilTakenIn(keptAndNamed(...taking));

async function keptAndNamed(
  repository: Repository,
  slot: string,
  files: readonly File[],
  name: (kept: WorkFile[]) => Promise<string | null>,
): Promise<string | null> {
  const unfit = files.find(({ size }) => size === 0 || size > MOST_BYTES);
  if (unfit) {
    const what = unfit.size === 0 ? "is empty (0 bytes)" : "is larger than 500 MB";
    return `${unfit.name} ${what}. Choose it again; nothing was taken in.`;
  }
  if (files.length === 0) return null;
  const kept: WorkFile[] = [];
  const letGo = () => Promise.all(kept.map(({ id }) => repository.dropFile(slot, id).catch(() => null)));
  for (const file of files) {
    const id = `file:${repository.surroundings.fresh()}` as FileId;
    const mediaType = mediaTypeOf(file.name);
    try {
      await repository.keepFile(slot, id, new Blob([await file.arrayBuffer()], { type: mediaType }));
    } catch (error) {
      await letGo();
      const full = error instanceof DOMException && error.name === "QuotaExceededError";
      const why = full ? "there is no room left in this browser" : "the browser could not write it";
      return `${file.name} could not be kept: ${why}. Free some space and add it again; nothing was taken in.`;
    }
    kept.push({ id, name: file.name, mediaType, size: file.size });
  }
  const trouble = await name(kept);
  if (trouble !== null) await letGo();
  return trouble;
}
