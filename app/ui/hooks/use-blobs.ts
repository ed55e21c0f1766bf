import { useEffect, useMemo, useState } from "react";
import type { FileId } from "#core/kernel";

/** The bytes of files by their ids; null where storage has lost them. */
export type Blobs = ReadonlyMap<FileId, Blob | null>;

/**
 * The bytes of the files that a page shows: `first` holds those it came with, and what is wanted later is added once it is
 * read. A file that could not be read counts as lost.
 */
export function useBlobs<F extends { readonly id: FileId }>(
  files: readonly F[],
  first: Blobs,
  read: (file: F) => Promise<Blob | null>,
): Blobs {
  const [later, setLater] = useState<Blobs>(new Map());
  const lacking = files.find(({ id }) => !first.has(id) && !later.has(id));
  useEffect(() => {
    if (!lacking) return;
    let current = true;
    void read(lacking)
      .catch(() => null)
      .then((blob) => {
        if (current) setLater((before) => new Map(before).set(lacking.id, blob));
      });
    return () => {
      current = false;
    };
    // One file is read once, however often the list of them is drawn up.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [lacking?.id]);
  return useMemo(() => (later.size === 0 ? first : new Map([...later, ...first])), [first, later]);
}
