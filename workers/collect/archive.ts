import { BlobReader, configure, ZipReader, type FileEntry } from "@zip.js/zip.js";
import type { Instant } from "#core/kernel";
import type { DropRemark, LooseFile } from "./messages";

configure({ useWebWorkers: false });

/** Most that an archive may hold once unpacked. */
const MOST_BYTES = 2_000_000_000;
const MOST_ENTRIES = 20_000;

/** Entries that programs leave behind by themselves. */
const LEFT_BEHIND = /(?:^|\/)(?:__MACOSX\/|\.DS_Store$|Thumbs\.db$|desktop\.ini$|\._[^/]*$)/;

// Names are judged here, one by one: a bad one must not take the others along.
const climbsOut = (path: string): boolean =>
  path.startsWith("/") || /^[A-Za-z]:/.test(path) || path.split(/[\\/]/).includes("..");

/** Files of an archive, one after the other, and what was passed over and why. An entry that swells beyond its size ends. */
export async function* filesOfArchive(
  archive: Blob,
  at: { readonly path: string; readonly source: string },
): AsyncGenerator<LooseFile | DropRemark> {
  const reader = new ZipReader(new BlobReader(archive), { filenameValidation: "tolerant" });
  try {
    const entries = await reader.getEntries().catch(() => null);
    const size = entries?.reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0) ?? 0;
    const isTooLarge = size > MOST_BYTES || (entries?.length ?? 0) > MOST_ENTRIES;
    if (!entries || isTooLarge) yield { path: at.path, code: isTooLarge ? "archive_too_large" : "archive_damaged" };
    for (const entry of isTooLarge ? [] : (entries ?? [])) {
      if (entry.directory || LEFT_BEHIND.test(entry.filename)) continue;
      const path = `${at.path}/${entry.filename}`;
      if (climbsOut(entry.filename)) yield { path, code: "path_climbs_out" };
      else if (entry.encrypted) yield { path, code: "archive_locked" };
      else yield await unpacked(entry, path, at.source);
    }
  } finally {
    await reader.close();
  }
}

async function unpacked(entry: FileEntry, path: string, source: string): Promise<LooseFile | DropRemark> {
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let size = 0;
  const sink = new WritableStream<Uint8Array<ArrayBuffer>>({
    write: (part) => {
      size += part.length;
      if (size > entry.uncompressedSize) throw new Error("swells");
      parts.push(part);
    },
  });
  try {
    await entry.getData(sink, { checkCrc32: true });
  } catch {
    return { path, code: "entry_damaged" };
  }
  const time = entry.lastModDate;
  const at = Number.isNaN(time.getTime()) ? null : (time.toISOString() as Instant);
  return { path, source, letter: null, blob: new Blob(parts), at, senderAddress: "", senderName: "" };
}
