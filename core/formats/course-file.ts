import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from "fflate";
import { z } from "zod";
import { applyPatches, entrySchema, type Entry } from "#core/changes";
import { ok, refuse, required, sameValue, type FileId, type Instant, type Result } from "#core/kernel";
import {
  completeRecord,
  recordsOf,
  wholeTable,
  courseOf,
  EMPTY_STATE,
  fileSchema,
  TABLE_NAMES,
  tableSchemas,
  type CourseState,
  type WorkFile,
} from "#core/model";
import { isWholeArchive } from "./whole-archive";

/** Version of the course file. A file of a higher one is refused. */
export const COURSE_FILE_VERSION = 5;
const FORMAT = "upright-quill-course";
/** Most bytes a course file may unpack to: it keeps a hostile archive from filling the memory. */
const MOST_BYTES = 2_000_000_000;

/** Why a course file cannot be read. Nothing is taken from a refused file. */
export type CourseFileIssue =
  | { readonly code: "file_not_an_archive" }
  | { readonly code: "file_not_a_course" }
  | { readonly code: "file_newer"; readonly version: number; readonly known: number }
  | { readonly code: "file_part_missing"; readonly part: string }
  | { readonly code: "file_part_damaged"; readonly part: string }
  | { readonly code: "file_too_large"; readonly bytes: number };

/** A whole course: its journal, and the bytes of every handed-in file. */
export interface CourseArchive {
  readonly entries: readonly Entry[];
  readonly files: ReadonlyMap<FileId, Uint8Array>;
}

const coverSchema = z.object({
  format: z.literal(FORMAT),
  version: z.number().int(),
  title: z.string(),
  writtenAt: z.string(),
  files: z.array(fileSchema.extend({ path: z.string() })),
});

/** Every file that a course names. */
export const filesOf = (state: CourseState): WorkFile[] => [
  ...Object.values(state.assignments).flatMap((assignment) => assignment.files),
  ...recordsOf(state, "results").flatMap((result) => result.feedbackFiles),
  ...recordsOf(state, "copies").flatMap((copy) => copy.comments?.content.attachments ?? []),
  ...Object.values(state.messages).flatMap((message) => message.files),
  ...recordsOf(state, "handIns").flatMap((handIn) => handIn.attempts.flatMap((attempt) => attempt.files)),
];

/** Every table, each record under its id. */
const wholeTables = (state: CourseState) =>
  Object.fromEntries(TABLE_NAMES.map((table) => [table, wholeTable(state, table)]));

function replay(entries: readonly Entry[]): Result<CourseState, CourseFileIssue> {
  let state = EMPTY_STATE;
  for (const [index, entry] of entries.entries()) {
    const next = applyPatches(state, entry.change.patches);
    if (!next.ok || entry.seq !== index + 1) return refuse({ code: "file_part_damaged", part: "journal.json" });
    state = next.value;
  }
  return Object.keys(state.courses).length === 1
    ? ok(state)
    : refuse({ code: "file_part_damaged", part: "journal.json" });
}

/**
 * Writes the course file: a ZIP with `course.json` (what this is), `records.json` (every table, for other programs),
 * `journal.json` (every change, from which all is rebuilt) and the files as they were handed in.
 * @throws RangeError when a file that the course names is not given
 */
export function writeCourseFile(archive: CourseArchive, writtenAt: Instant): Uint8Array {
  const replayed = replay(archive.entries);
  if (!replayed.ok) throw new RangeError("the journal does not replay");
  const state = replayed.value;
  const files = filesOf(state).map((file, index) => ({
    ...file,
    path: `files/${String(index + 1).padStart(4, "0")}-${file.name.replace(/[^\p{L}\p{N}._-]+/gu, "_")}`,
  }));
  const json = (value: unknown) => strToU8(`${JSON.stringify(value, null, 1)}\n`);
  const content: Zippable = {
    "course.json": json({
      format: FORMAT,
      version: COURSE_FILE_VERSION,
      title: courseOf(state).title,
      writtenAt,
      files,
    } satisfies z.infer<typeof coverSchema>),
    "records.json": json(wholeTables(state)),
    "journal.json": json(archive.entries),
  };
  for (const file of files) {
    const stored = !/^text\/|svg/.test(file.mediaType);
    content[file.path] = [required(archive.files.get(file.id), file.name), { level: stored ? 0 : 6 }];
  }
  return zipSync(content);
}

/** Reads a course file back whole, or says why not. */
export function readCourseFile(bytes: Uint8Array): Result<CourseArchive, CourseFileIssue> {
  const unzipped = unzip(bytes);
  if (!unzipped.ok) return unzipped;
  const parts = unzipped.value;
  const cover = part(parts, "course.json", z.object({ format: z.literal(FORMAT), version: z.number().int() }));
  if (!cover.ok) return refuse({ code: "file_not_a_course" });
  if (cover.value.version > COURSE_FILE_VERSION) {
    return refuse({ code: "file_newer", version: cover.value.version, known: COURSE_FILE_VERSION });
  }
  const whole = part(parts, "course.json", coverSchema);
  if (!whole.ok) return whole;
  const entries = part(parts, "journal.json", z.array(entrySchema));
  if (!entries.ok) return entries;
  const records = part(parts, "records.json", wholeRecords);
  if (!records.ok) return records;
  const replayed = replay(entries.value);
  if (!replayed.ok) return replayed;
  if (!sameValue(wholeTables(replayed.value), records.value))
    return refuse({ code: "file_part_damaged", part: "records.json" });
  const files = new Map<FileId, Uint8Array>();
  for (const { id } of filesOf(replayed.value)) {
    const listed = whole.value.files.find((file) => file.id === id);
    const data = listed && parts[listed.path];
    if (!data) return refuse({ code: "file_part_missing", part: listed?.path ?? id });
    if (data.length !== listed.size) return refuse({ code: "file_part_damaged", part: listed.path });
    files.set(id, data);
  }
  return ok({ entries: entries.value, files });
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

function unzip(bytes: Uint8Array): Result<Record<string, Uint8Array>, CourseFileIssue> {
  let total = 0;
  if (!isWholeArchive(bytes)) return refuse({ code: "file_not_an_archive" });
  try {
    const parts = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        total += originalSize;
        return total <= MOST_BYTES && !name.includes("..");
      },
    });
    return total > MOST_BYTES ? refuse({ code: "file_too_large", bytes: total }) : ok(parts);
  } catch {
    return refuse({ code: "file_not_an_archive" });
  }
}

function part<T>(
  parts: Readonly<Record<string, Uint8Array>>,
  name: string,
  schema: z.ZodType<T>,
): Result<T, CourseFileIssue> {
  const bytes = parts[name];
  if (!bytes) return refuse({ code: "file_part_missing", part: name });
  try {
    const parsed = schema.safeParse(JSON.parse(strFromU8(bytes)));
    return parsed.success ? ok(parsed.data) : refuse({ code: "file_part_damaged", part: name });
  } catch {
    return refuse({ code: "file_part_damaged", part: name });
  }
}
