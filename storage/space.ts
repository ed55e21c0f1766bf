import type { FileId } from "#core/kernel";
import type { Shelf, Shelves } from "./shelves/shelf";

/** What a course takes in the browser, in bytes as they are stored. */
export interface TakenSpace {
  /** Each file, those in the tray among them. */
  readonly files: ReadonlyMap<FileId, number>;
  /** Its journal, and the state beside it. */
  readonly journal: number;
}

/** Adds up what is stored of a course. Files are not read for it where they lie as they came. */
export async function spaceTaken({ journal, snapshots, files }: Shelves, slot: string): Promise<TakenSpace> {
  const own = (key: string) => key === slot || key.startsWith(`${slot}/`);
  const sizes = async (shelf: Shelf) => {
    const keys = (await shelf.keys()).filter(own);
    return Promise.all(keys.map(async (key) => [key, sizeOf(await shelf.get(key).catch(() => null))] as const));
  };
  const [entries, states, blobs] = [await sizes(journal), await sizes(snapshots), await sizes(files)];
  return {
    files: new Map(blobs.map(([key, bytes]) => [key.slice(slot.length + 1) as FileId, bytes])),
    journal: [...entries, ...states].reduce((sum, [, bytes]) => sum + bytes, 0),
  };
}

/** Bytes of a stored value: of text about one for each letter, of what is neither bytes nor text nothing. */
function sizeOf(stored: unknown): number {
  if (stored instanceof Blob) return stored.size;
  if (stored instanceof Uint8Array) return stored.byteLength;
  if (typeof stored === "string") return stored.length;
  if (typeof stored !== "object" || stored === null) return 0;
  return Object.values(stored).reduce<number>((sum, part) => sum + sizeOf(part), 0);
}
