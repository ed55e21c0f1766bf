import { strFromU8 } from "fflate";
import { z } from "zod";
import { brokenLink, CHAIN_START, chainSums, entrySchema } from "#core/changes";
import { contentSum, ok, refuse, sameValue, type FileId, type Result } from "#core/kernel";
import { completeRecord, TABLE_NAMES, tableSchemas, type WorkFile } from "#core/model";
import {
  CHAIN,
  COURSE_FILE_VERSION,
  COVER,
  coverHeadSchema,
  coverSchema,
  JOURNAL,
  RECORDS,
  SUMS,
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
  const raw = jsonPart(taken[JOURNAL], JOURNAL, z.array(z.unknown()));
  if (!raw.ok) return raw;
  const parsed = z.array(entrySchema).safeParse(raw.value);
  if (!parsed.success) return refuse({ code: "file_part_damaged", part: JOURNAL });
  const entries = { value: parsed.data };
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
  const files = takeFiles({ cover, taken, named, needed });
  if (!files.ok) return files;
  const chained = chainIn(raw.value, cover, taken[CHAIN]);
  return chained.ok ? ok({ ...files.value, ...chained.value, entries: entries.value }) : chained;
}

/** The chain of a journal as it came, and where it does not hold; a file that has none begins one. */
function chainIn(
  raw: readonly unknown[],
  cover: Cover,
  list: Uint8Array | undefined,
): Read<Pick<ReadCourse, "chain" | "broken">> {
  const texts = raw.map((entry) => JSON.stringify(entry));
  if (!list) return ok({ chain: { texts, sums: chainSums(texts), unproven: texts.length }, broken: null });
  const sums = strFromU8(list).split("\n").slice(0, -1);
  if (sums.length !== texts.length || !sums.every((sum) => /^[0-9a-f]{64}$/.test(sum))) {
    return refuse({ code: "file_part_damaged", part: CHAIN });
  }
  const place = brokenLink({ texts, sums, before: CHAIN_START });
  return ok({
    chain: { texts, sums, unproven: cover.unproven ?? texts.length },
    broken: place === null ? null : place + 1,
  });
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
  const chain = version < FIRST_WITH_CHAIN ? [] : [CHAIN];
  const paths = new Set([COVER, RECORDS, JOURNAL, ...chain, ...cover.value.files.map(({ path }) => path)]);
  const unfit = cover.value.files.find(({ path }) => !isPlace(path));
  if (unfit) return refuse({ code: "file_part_missing", part: unfit.path });
  const taken = parts.take(paths);
  if (!taken.ok) return taken;
  const issue = version < FIRST_WITH_SUMS ? null : againstSums(first.value[SUMS], paths, taken.value);
  return issue ? refuse(issue) : ok({ cover: cover.value, taken: taken.value });
}

const FIRST_WITH_SUMS = 6;
const FIRST_WITH_CHAIN = 7;

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
}

function takeFiles({ cover, taken, named, needed }: Found): Read<Pick<ReadCourse, "files" | "lacking">> {
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
  return ok({ files, lacking: [...named.values()].filter(({ id }) => needed.has(id) && gone.has(id)) });
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
