import { useEffect, useState } from "react";
import type { FileId } from "#core/kernel";

/** The bytes of a file; "lost" where storage has them no more. */
export type FileBytes = Blob | "lost";

/**
 * The bytes of one file once they are wanted, null until they are there. Where the place that asks comes to show another
 * file, what it was given before is not that one's.
 */
export function useFileBytes(
  fileId: FileId,
  isWanted: boolean,
  read: (fileId: FileId) => Promise<Blob | null>,
): FileBytes | null {
  const [given, setGiven] = useState<{ readonly of: FileId; readonly bytes: FileBytes } | null>(null);
  const bytes = given?.of === fileId ? given.bytes : null;
  const isLacking = isWanted && bytes === null;
  useEffect(() => {
    if (!isLacking) return;
    let current = true;
    void read(fileId).then((found) => {
      if (current) setGiven({ of: fileId, bytes: found ?? "lost" });
    });
    return () => {
      current = false;
    };
    // The reader is another function at each look; the file is the same.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [isLacking, fileId]);
  return bytes;
}
