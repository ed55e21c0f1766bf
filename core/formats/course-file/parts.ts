import { strFromU8, unzipSync, type UnzipFileInfo } from "fflate";
import type { z } from "zod";
import { ok, refuse, type Result } from "#core/kernel";
import { isWholeArchive } from "../files/whole-archive";
import { MOST_BYTES, type CourseFileIssue } from "./archive";

/** How many times larger than packed a part may be. Our own text packs to a thirtieth; deflate alone could give 1,032. */
export const MOST_TIMES = 200;
/** Most parts of one archive. */
const MOST_PARTS = 100_000;

/** The parts of an archive, unpacked when they are asked for. */
export interface Parts {
  readonly sizes: ReadonlyMap<string, number>;
  /** The bytes of some parts; those that are not there are left out. */
  readonly take: (names: ReadonlySet<string>) => Result<Readonly<Record<string, Uint8Array>>, CourseFileIssue>;
}

/**
 * Looks at what an archive says it holds, and unpacks nothing yet. Refused are archives that were cut short, whose parts
 * overlap, and whose parts would be larger than any course's.
 */
export function partsOf(bytes: Uint8Array): Result<Parts, CourseFileIssue> {
  if (!isWholeArchive(bytes)) return refuse({ code: "file_not_an_archive" });
  const listed: UnzipFileInfo[] = [];
  try {
    unzipSync(bytes, {
      filter: (part) => {
        listed.push(part);
        if (listed.length > MOST_PARTS) throw new RangeError("too many parts");
        return false;
      },
    });
  } catch {
    return refuse({ code: "file_not_an_archive" });
  }
  const total = listed.reduce((sum, part) => sum + part.originalSize, 0);
  const packed = listed.reduce((sum, part) => sum + part.size, 0);
  const swollen = listed.some(({ size, originalSize }) => originalSize > MOST_TIMES * Math.max(size, 64));
  if (total > MOST_BYTES || swollen) return refuse({ code: "file_too_large", bytes: total });
  const sizes = new Map(listed.map(({ name, originalSize }) => [name, originalSize]));
  if (packed > bytes.length || sizes.size < listed.length) return refuse({ code: "file_not_an_archive" });
  return ok({ sizes, take: (names) => unpack(bytes, names) });
}

function unpack(bytes: Uint8Array, names: ReadonlySet<string>): ReturnType<Parts["take"]> {
  try {
    return ok(unzipSync(bytes, { filter: ({ name }) => names.has(name) }));
  } catch {
    return refuse({ code: "file_not_an_archive" });
  }
}

/** A part of JSON as its schema wants it. */
export function jsonPart<T>(
  bytes: Uint8Array | undefined,
  name: string,
  schema: z.ZodType<T>,
): Result<T, CourseFileIssue> {
  if (!bytes) return refuse({ code: "file_part_missing", part: name });
  try {
    const parsed = schema.safeParse(JSON.parse(strFromU8(bytes)));
    return parsed.success ? ok(parsed.data) : refuse({ code: "file_part_damaged", part: name });
  } catch {
    return refuse({ code: "file_part_damaged", part: name });
  }
}
