import { useEffect, useState } from "react";
import { DROP_REMARK_WORDS } from "../../../../course/drop-remark-words";
import { readDropped, StoppedError } from "../../../../../workers/client";

/** One file that lies in an archive. */
export interface ArchivePart {
  /** With its folders inside the archive. */
  readonly path: string;
  readonly file: File;
}

/** What is known of an archive's parts so far. */
export interface ArchiveParts {
  readonly parts: readonly ArchivePart[];
  /** What cannot be opened, each a sentence. */
  readonly remarks: readonly string[];
  readonly isRead: boolean;
}

const NOTHING: ArchiveParts = { parts: [], remarks: [], isRead: false };

/** Reads the parts of an archive in a worker, as they come; leaving the archive ends it. */
export function useArchiveParts(name: string, blob: Blob): ArchiveParts {
  const [known, setKnown] = useState<{ readonly of: Blob } & ArchiveParts>({ of: blob, ...NOTHING });
  useEffect(() => {
    const stop = new AbortController();
    const within = (path: string) => path.slice(path.startsWith(`${name}/`) ? name.length + 1 : 0);
    let now = NOTHING;
    const tell = (more: Partial<ArchiveParts>) => {
      now = { ...now, ...more };
      if (!stop.signal.aborted) setKnown({ of: blob, ...now });
    };
    readDropped(
      [{ path: name, source: name, blob, at: null }],
      ({ pieces, remarks }) => {
        tell({
          parts: [
            ...now.parts,
            ...pieces.map((piece) => ({
              path: within(piece.path),
              file: new File([piece.blob], piece.name, { type: piece.mediaType }),
            })),
          ],
          remarks: [...now.remarks, ...remarks.map(({ path, code }) => `${within(path)} ${DROP_REMARK_WORDS[code]}`)],
        });
        return Promise.resolve();
      },
      stop.signal,
    ).then(
      () => {
        tell({ isRead: true });
      },
      (error: unknown) => {
        if (error instanceof StoppedError) return;
        tell({
          isRead: true,
          remarks: [...now.remarks, `${name} could not be read to its end. Save it and look at it outside.`],
        });
      },
    );
    return () => {
      stop.abort();
    };
  }, [name, blob]);
  return known.of === blob ? known : NOTHING;
}
