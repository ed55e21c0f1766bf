import { useMemo } from "react";
import { useBlobs, type Blobs } from "../../../../ui/hooks/use-blobs";
import type { DeskRows } from "../rows";
import { besideFile, shownFile, type Work } from "./load-work";

/** The work on the desk, and what it is compared with. */
export interface Paper {
  readonly work: Work | null;
  readonly beside: Work | null;
}

/**
 * The work that the address asks for. While bytes of work that has just come in are being read, what was there before
 * stays.
 */
export function usePaper(
  rows: DeskRows,
  search: URLSearchParams,
  first: Blobs,
  read: (file: Work["file"]) => Promise<Blob | null>,
): Paper {
  const wanted = shownFile(rows, search.get("file"));
  const besides = besideFile(rows, search.get("beside"));
  const blobs = useBlobs(
    [wanted, besides].filter((file) => file !== undefined),
    first,
    read,
  );
  const file = wanted && blobs.has(wanted.id) ? wanted : rows.files.findLast(({ id }) => blobs.has(id));
  return {
    work: useMemo(() => withBytes(file, blobs), [file, blobs]),
    beside: useMemo(() => withBytes(besides, blobs), [besides, blobs]),
  };
}

function withBytes(file: Work["file"] | undefined, blobs: Blobs): Work | null {
  const blob = file && blobs.get(file.id);
  return file === undefined || blob === undefined ? null : { file, blob };
}
