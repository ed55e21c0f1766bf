import { BlobReader, configure, ZipReader, type Entry as ZipEntry, type FileEntry } from "@zip.js/zip.js";
import { ok, refuse, type Result } from "#core/kernel";
import { isWholeArchive, LONGEST_END } from "../files/whole-archive";
import { MOST_BYTES, type CourseFileIssue } from "./archive";
import { isSwollen } from "./swollen";

/** Most parts of one archive. */
const MOST_PARTS = 100_000;

/** The parts of an archive, unpacked when they are asked for. */
export interface Parts {
  readonly names: ReadonlySet<string>;
  /**
   * Hands a part over as it is unpacked, piece by piece. Answers whether it is there and whole, as far as the archive
   * tells. @throws what `take` throws
   */
  readonly read: (name: string, take: (bytes: Uint8Array<ArrayBuffer>) => Promise<void> | void) => Promise<boolean>;
}

/**
 * Looks at what an archive says it holds, and unpacks nothing yet. Refused are archives that were cut short, whose parts
 * overlap, and whose parts would be larger than any course's.
 */
export async function partsOf(archive: Blob): Promise<Result<Parts, CourseFileIssue>> {
  configure({ useWebWorkers: false });
  const tail = new Uint8Array(await archive.slice(-LONGEST_END).arrayBuffer());
  if (!isWholeArchive(tail)) return refuse({ code: "file_not_an_archive" });
  // Names are judged one by one, where they are looked for.
  const reader = new ZipReader(new BlobReader(archive), { filenameValidation: "tolerant" });
  const listed = await listOf(reader);
  if (!listed) return refuse({ code: "file_not_an_archive" });
  const total = listed.reduce((sum, part) => sum + part.uncompressedSize, 0);
  const packed = listed.reduce((sum, part) => sum + part.compressedSize, 0);
  const swollen = listed.some((part) => isSwollen(part.uncompressedSize, part.compressedSize));
  if (total > MOST_BYTES || swollen) return refuse({ code: "file_too_large", bytes: total });
  const byName = new Map(listed.map((part) => [part.filename, part]));
  if (packed > archive.size || byName.size < listed.length) return refuse({ code: "file_not_an_archive" });
  return ok({
    names: new Set(byName.keys()),
    read: async (name, take) => {
      const part = byName.get(name);
      return part !== undefined && !part.directory && (await unpacked(part, take));
    },
  });
}

async function listOf(reader: ZipReader<Blob>): Promise<readonly ZipEntry[] | null> {
  const listed: ZipEntry[] = [];
  try {
    for await (const part of reader.getEntriesGenerator()) {
      listed.push(part);
      if (listed.length > MOST_PARTS) return null;
    }
    return listed;
  } catch {
    return null;
  }
}

async function unpacked(part: FileEntry, take: Parameters<Parts["read"]>[1]): Promise<boolean> {
  let size = 0;
  const thrown: unknown[] = [];
  const sink = new WritableStream<Uint8Array<ArrayBuffer>>({
    write: async (bytes) => {
      size += bytes.length;
      if (size > part.uncompressedSize) throw new RangeError("more than the archive says");
      try {
        await take(bytes);
      } catch (error) {
        thrown.push(error);
        throw error;
      }
    },
  });
  try {
    await part.getData(sink, { checkCrc32: true });
    return size === part.uncompressedSize;
  } catch {
    if (thrown.length > 0) throw thrown[0];
    return false;
  }
}
