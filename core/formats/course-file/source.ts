import { CHAIN_START, newChain, type ChainPiece } from "#core/changes";
import type { FileId } from "#core/kernel";
import type { CourseArchive } from "./archive";

/** A course on its way into a course file, of which no more than a piece is ever in memory. */
export interface CourseSource {
  /** Its journal from the first entry on, as it was stored; it may be asked for again. */
  readonly pieces: () => AsyncIterable<ChainPiece> | Iterable<ChainPiece>;
  /** How many entries from the first on got their sums later than they were written. */
  readonly unproven: number;
  /** What a file holds; null where it is gone. */
  readonly file: (id: FileId) => Promise<Blob | null>;
}

/** A course in memory as it goes into a course file. */
export function sourceOf({ entries, chain = newChain(entries), files }: CourseArchive): CourseSource {
  return {
    pieces: () => [{ texts: chain.texts, sums: chain.sums, before: CHAIN_START }],
    unproven: chain.unproven,
    file: (id) => {
      const held = files.get(id);
      return Promise.resolve(held === undefined ? null : held instanceof Blob ? held : new Blob([held]));
    },
  };
}
