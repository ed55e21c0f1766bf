import { deflateSync, strToU8, zipSync, type Zippable } from "fflate";
import type { z } from "zod";
import { newChain } from "#core/changes";
import { milliseconds, type FileId, type Instant } from "#core/kernel";
import { courseOf, type WorkFile } from "#core/model";
import {
  CHAIN,
  COURSE_FILE_VERSION,
  COVER,
  FORMAT,
  JOURNAL,
  MOST_BYTES,
  RECORDS,
  SUMS,
  type coverSchema,
  type CourseArchive,
} from "./archive";
import { filesEverNamed, filesOf } from "./named-files";
import { MOST_TIMES } from "./parts";
import { replay, wholeTables } from "./replay";
import { writeSums } from "./sums";

/** Longest piece of a file's own name in its path. */
const NAME_PIECE = 80;

/** A file's place in the archive: a number, and what its name holds of letters, digits and single dots. */
const pathOf = ({ name }: WorkFile, index: number): string => {
  const piece = name
    .normalize("NFC")
    .replace(/[^\p{L}\p{N}._-]+|\.{2,}/gu, "_")
    .slice(-NAME_PIECE)
    .replace(/^\p{M}+|[\uD800-\uDFFF]/gu, "");
  return `files/${String(index + 1).padStart(4, "0")}-${piece}`;
};

/**
 * Writes the course file: a ZIP with `course.json` (what this is), `records.json` (every table, for other programs),
 * `journal.json` (every change, from which all is rebuilt) with `journal.sums` (its chain), the files as they were handed in, and `SHA256SUMS`, by which
 * each part can be checked. The same course written at the same moment gives the same bytes. A file that is not given
 * is named as lacking.
 * @throws RangeError when the journal does not replay, or when the archive would be larger than can be read back
 */
export function writeCourseFile(archive: CourseArchive, writtenAt: Instant): Uint8Array {
  const replayed = replay(archive.entries);
  if (!replayed.ok) throw new RangeError("the journal does not replay");
  const named = new Map<FileId, WorkFile>();
  for (const file of [...filesEverNamed(archive.entries), ...filesOf(replayed.value)]) named.set(file.id, file);
  const all = [...named.values()];
  const held = all
    .filter(({ id }) => archive.files.has(id))
    // A record's size is what was seen at first; the archive says what it holds.
    .map((file, index) => ({ ...file, size: archive.files.get(file.id)?.length ?? 0, path: pathOf(file, index) }));
  const chain = archive.chain ?? newChain(archive.entries);
  const json = (value: unknown) => strToU8(`${JSON.stringify(value, null, 1)}\n`);
  const parts: Record<string, Uint8Array> = {
    [COVER]: json({
      format: FORMAT,
      version: COURSE_FILE_VERSION,
      title: courseOf(replayed.value).title,
      writtenAt,
      files: held,
      lacking: all.filter(({ id }) => !archive.files.has(id)),
      unproven: chain.unproven,
    } satisfies z.infer<typeof coverSchema>),
    [RECORDS]: json(wholeTables(replayed.value)),
    // Each entry as it was written, letter for letter: its sum is over these letters.
    [JOURNAL]: strToU8(`[\n${chain.texts.join(",\n")}\n]\n`),
    [CHAIN]: strToU8(chain.sums.map((sum) => `${sum}\n`).join("")),
  };
  for (const { id, path } of held) parts[path] = archive.files.get(id) as Uint8Array;
  parts[SUMS] = strToU8(writeSums(parts));
  const bytes = Object.values(parts).reduce((sum, part) => sum + part.length, 0);
  if (bytes > MOST_BYTES) throw new RangeError(`${String(bytes)} bytes are more than a course file holds`);
  const types = new Map(held.map(({ path, mediaType }) => [path, mediaType]));
  return zipSync(
    Object.fromEntries(
      Object.entries(parts).map(([path, part]) => [path, [part, { level: levelOf(part, types.get(path)) }]] as const),
    ) satisfies Zippable,
    { mtime: zipMoment(writtenAt) },
  );
}

/**
 * Text is packed; what is packed already, or so plain that reading would take it for a bomb, is stored as it is. The quick
 * packing packs a quarter as well at worst.
 */
function levelOf(part: Uint8Array, mediaType: string | undefined): 0 | 6 {
  if (mediaType !== undefined && !/^text\/|svg/.test(mediaType)) return 0;
  return part.length > (MOST_TIMES / 4) * deflateSync(part, { level: 1 }).length ? 0 : 6;
}

/** ZIP knows local dates from 1980 to 2099 only; the true moment stands on the cover. */
function zipMoment(at: Instant): Date {
  const moment = new Date(milliseconds(at));
  const date = new Date(2000, 0, 1);
  date.setFullYear(Math.min(2099, Math.max(1980, moment.getUTCFullYear())), moment.getUTCMonth(), moment.getUTCDate());
  date.setHours(moment.getUTCHours(), moment.getUTCMinutes(), moment.getUTCSeconds());
  return date;
}
