import { strFromU8 } from "fflate";
import { z } from "zod";
import { entrySchema } from "#core/changes";
import { contentSum, ok, refuse, sameValue, type FileId, type Result } from "#core/kernel";
import { completeRecord, TABLE_NAMES, tableSchemas, type WorkFile } from "#core/model";
import {
  COURSE_FILE_VERSION,
  COVER,
  coverHeadSchema,
  coverSchema,
  JOURNAL,
  RECORDS,
  SUMS,
  type CourseArchive,
  type CourseFileIssue,
  type ReadCourse,
} from "./archive";
import { filesEverNamed, filesOf } from "./named-files";
import { jsonPart, partsOf, type Parts } from "./parts";
import { replay, wholeTables } from "./replay";
import { readSums } from "./sums";

type Read<T> = Result<T, CourseFileIssue>;
type Bytes = Readonly<Record<string, Uint8Array>>;
type Cover = z.infer<typeof coverSchema>;

/** Reads a course file back whole, or says why not. */
export function readCourseFile(bytes: Uint8Array): Read<ReadCourse> {
  const parts = partsOf(bytes);
  if (!parts.ok) return parts;
  const known = readCover(parts.value);
  if (!known.ok) return known;
  const { cover, taken } = known.value;
  const entries = jsonPart(taken[JOURNAL], JOURNAL, z.array(entrySchema));
  if (!entries.ok) return entries;
  const records = jsonPart(taken[RECORDS], RECORDS, wholeRecords);
  if (!records.ok) return records;
  const replayed = replay(entries.value);
  if (!replayed.ok) return replayed;
  if (!sameValue(wholeTables(replayed.value), records.value)) {
    return refuse({ code: "file_part_damaged", part: RECORDS });
  }
  const named = new Map<FileId, WorkFile>();
  for (const file of [...filesEverNamed(entries.value), ...filesOf(replayed.value)]) named.set(file.id, file);
  const needed = new Set(filesOf(replayed.value).map(({ id }) => id));
  return takeFiles({ cover, taken, named, needed, entries: entries.value });
}

/** The cover, and the bytes of every part, each held against its sum where the version has sums. */
function readCover(parts: Parts): Read<{ readonly cover: Cover; readonly taken: Bytes }> {
  const first = parts.take(new Set([COVER, SUMS]));
  if (!first.ok) return first;
  const head = jsonPart(first.value[COVER], COVER, coverHeadSchema);
  if (!head.ok) return refuse({ code: "file_not_a_course" });
  const { version } = head.value;
  if (version > COURSE_FILE_VERSION) return refuse({ code: "file_newer", version, known: COURSE_FILE_VERSION });
  const cover = jsonPart(first.value[COVER], COVER, coverSchema);
  if (!cover.ok) return cover;
  const paths = new Set([COVER, RECORDS, JOURNAL, ...cover.value.files.map(({ path }) => path)]);
  const unfit = cover.value.files.find(({ path }) => !isPlace(path));
  if (unfit) return refuse({ code: "file_part_missing", part: unfit.path });
  const taken = parts.take(paths);
  if (!taken.ok) return taken;
  const issue = version < FIRST_WITH_SUMS ? null : againstSums(first.value[SUMS], paths, taken.value);
  return issue ? refuse(issue) : ok({ cover: cover.value, taken: taken.value });
}

const FIRST_WITH_SUMS = 6;

function againstSums(list: Uint8Array | undefined, paths: ReadonlySet<string>, taken: Bytes): CourseFileIssue | null {
  if (!list) return { code: "file_part_missing", part: SUMS };
  const sums = readSums(strFromU8(list));
  if (!sums || sums.size !== paths.size) return { code: "file_part_damaged", part: SUMS };
  for (const path of paths) {
    const bytes = taken[path];
    if (!bytes) return { code: "file_part_missing", part: path };
    if (contentSum(bytes) !== sums.get(path)) return { code: "file_part_damaged", part: path };
  }
  return null;
}

/** Files lie in one folder; a path that leads anywhere else is not followed. */
const isPlace = (path: string): boolean => /^files\/[^/\\]+$/.test(path) && !/^files\/\.\.?$/.test(path);

interface Found {
  readonly cover: Cover;
  readonly taken: Bytes;
  readonly named: ReadonlyMap<FileId, WorkFile>;
  /** Files the course names as it stands; others are brought back by undoing only. */
  readonly needed: ReadonlySet<FileId>;
  readonly entries: CourseArchive["entries"];
}

function takeFiles({ cover, taken, named, needed, entries }: Found): Read<ReadCourse> {
  const listed = new Map(cover.files.map((file) => [file.id, file]));
  const gone = new Set(cover.lacking.map(({ id }) => id));
  const files = new Map<FileId, Uint8Array>();
  for (const id of named.keys()) {
    const place = listed.get(id);
    const data = place && taken[place.path];
    if (!data) {
      if (gone.has(id) || !needed.has(id)) continue;
      return refuse({ code: "file_part_missing", part: place?.path ?? id });
    }
    if (data.length !== place.size) return refuse({ code: "file_part_damaged", part: place.path });
    files.set(id, data);
  }
  return ok({ entries, files, lacking: [...named.values()].filter(({ id }) => needed.has(id) && gone.has(id)) });
}

const recordsSchema = z.object(
  Object.fromEntries(TABLE_NAMES.map((name) => [name, z.record(z.string(), tableSchemas[name])])),
);

const NO_RECORDS: Readonly<Record<string, Record<string, Record<string, unknown>>>> = Object.fromEntries(
  TABLE_NAMES.map((name) => [name, {}]),
);

// A file of an older version lacks tables and fields that were thought of later; both are completed before the check.
const wholeRecords = z
  .record(z.string(), z.record(z.string(), z.record(z.string(), z.unknown())))
  .transform((tables) =>
    Object.fromEntries(
      Object.entries({ ...NO_RECORDS, ...tables }).map(([table, records]) => [
        table,
        Object.fromEntries(Object.entries(records).map(([id, record]) => [id, completeRecord(table, record)])),
      ]),
    ),
  )
  .pipe(recordsSchema);
