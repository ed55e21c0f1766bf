import { z } from "zod/mini";
import type { Chain, ChainPiece, Entry, History } from "#core/changes";
import type { FileId } from "#core/kernel";
import { fileSchema, type CourseState, type WorkFile } from "#core/model";

/** Version of the course file. A file of a higher one is refused; from version 6 on every part has its sum, from 7 on every entry. */
export const COURSE_FILE_VERSION = 7;
/** What the cover calls the format. */
export const FORMAT = "upright-quill-course";
/** Names of the parts that are not files of the course. */
export const COVER = "course.json";
export const RECORDS = "records.json";
export const JOURNAL = "journal.json";
export const SUMS = "SHA256SUMS";
/** The sum of each entry in its chain, a line each. */
export const CHAIN = "journal.sums";
/** Most bytes a course file may unpack to: it keeps a hostile archive from filling the memory. */
export const MOST_BYTES = 2_000_000_000;

/** Why a course file cannot be read. Nothing is taken from a refused file. */
export type CourseFileIssue =
  | { readonly code: "file_not_an_archive" }
  | { readonly code: "file_not_a_course" }
  | { readonly code: "file_newer"; readonly version: number; readonly known: number }
  | { readonly code: "file_part_missing"; readonly part: string }
  | { readonly code: "file_part_damaged"; readonly part: string }
  | { readonly code: "file_too_large"; readonly bytes: number };

/** A whole course in memory: its journal, and the bytes of every file that it names. */
export interface CourseArchive {
  readonly entries: readonly Entry[];
  /** The journal as it was stored, with its sums; left out, a chain begins with this file. */
  readonly chain?: Chain;
  readonly files: ReadonlyMap<FileId, Uint8Array<ArrayBuffer> | Blob>;
}

/** Entries that follow one another as they were read, from the one with the number `first` on. */
export interface ReadPiece extends ChainPiece {
  readonly first: number;
  readonly entries: readonly Entry[];
}

/** A course as it was read from a course file, its journal apart. */
export interface ReadCourse {
  readonly state: CourseState;
  /** What can be undone and redone after the last entry. */
  readonly history: History;
  /** How many entries its journal has. */
  readonly count: number;
  /** How many entries from the first on got their sums later than they were written. */
  readonly unproven: number;
  /** The first entry that does not follow the one before it in the chain, from 1 on; null where all do. */
  readonly broken: number | null;
  readonly files: ReadonlyMap<FileId, Blob>;
  /** Files the course names that the archive never held, because they were lost before it was written. */
  readonly lacking: readonly WorkFile[];
  /** The sum of every part as it was read. */
  readonly sums: ReadonlyMap<string, string>;
}

/** What the cover must say in every version. */
export const coverHeadSchema = z.object({ format: z.literal(FORMAT), version: z.int().check(z.minimum(1)) });

/** The cover: what the archive is, and where each file of the course lies in it. */
export const coverSchema = z.extend(coverHeadSchema, {
  title: z.string(),
  writtenAt: z.string(),
  files: z.array(z.extend(fileSchema, { path: z.string() })),
  lacking: z._default(z.array(fileSchema), []),
  /** How many entries got their sums later than they were written; all of a file that has none. */
  unproven: z.optional(z.int().check(z.minimum(0))),
});
