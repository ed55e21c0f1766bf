import type { FileId } from "#core/kernel";
import { mediaTypeOf, type WorkFile } from "#core/model";
import type { Repository } from "#storage";

/** Most bytes of one file. */
const MOST_BYTES = 200_000_000;

/** Files that were kept, or the words why none was. */
export type KeptFiles = { readonly kept: readonly WorkFile[] } | { readonly trouble: string };

/** Keeps files in the browser's store; all of them, or the course names none. */
export async function keepFiles(repository: Repository, slot: string, files: readonly File[]): Promise<KeptFiles> {
  const unfit = files.find(({ size }) => size === 0 || size > MOST_BYTES);
  if (unfit) {
    const what = unfit.size === 0 ? "is empty (0 bytes)" : "is larger than 200 MB";
    return { trouble: `${unfit.name} ${what}. Choose it again; nothing was taken in.` };
  }
  const kept: WorkFile[] = [];
  for (const file of files) {
    const id = `file:${repository.surroundings.fresh()}` as FileId;
    const mediaType = mediaTypeOf(file.name);
    try {
      await repository.keepFile(slot, id, new Blob([await file.arrayBuffer()], { type: mediaType }));
    } catch (error) {
      const why = error instanceof Error ? error.message : "the browser refused it";
      return {
        trouble: `${file.name} could not be kept: ${why}. Free some space and add it again; nothing was taken in.`,
      };
    }
    kept.push({ id, name: file.name.slice(0, 200), mediaType, size: file.size });
  }
  return { kept };
}
