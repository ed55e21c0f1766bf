import { ok, refuse, type Instant, type Result } from "#core/kernel";
import type { WorkFile } from "#core/model";
import type { CourseFileIssue } from "./archive";
import { readCourseFile } from "./read";
import type { CourseSource } from "./source";
import { writeCourseFile } from "./write";
import { TooLargeError } from "./zip-out";

/** Why a course file cannot be called saved: it would be too large, or it did not come back as it went in. */
export type UnprovenIssue =
  | { readonly code: "course_too_large" }
  /** `why` is what the reading said; null where it was read and differs. */
  | { readonly code: "file_not_read_back"; readonly why: CourseFileIssue | null };

/** A course file that was read back. */
export interface ProvenCourse {
  readonly file: Blob;
  /** Files that the course names as it stands and that were not there to be written. */
  readonly lacking: readonly WorkFile[];
}

/** How far a course file is: entries that are written, and entries that are read back. */
export type TellProven = (written: number, readBack: number) => void;

/** Writes a course file, reads it back and compares part by part: a copy that cannot be read is none. */
export async function writeProvenCourseFile(
  source: CourseSource,
  writtenAt: Instant,
  tell: TellProven = () => undefined,
): Promise<Result<ProvenCourse, UnprovenIssue>> {
  let entries = 0;
  const done = await writeCourseFile(source, writtenAt, (written) => {
    entries = written;
    tell(written, 0);
  }).catch(nullIfTooLarge);
  if (!done) return refuse({ code: "course_too_large" });
  const { file, sums } = done;
  const back = await readCourseFile(file, ({ first, texts }) => {
    tell(entries, first + texts.length - 1);
  });
  if (!back.ok) return refuse({ code: "file_not_read_back", why: back.issue });
  const whole = back.value.count === entries && [...sums].every(([path, sum]) => back.value.sums.get(path) === sum);
  if (!whole) return refuse({ code: "file_not_read_back", why: null });
  return ok({ file, lacking: back.value.lacking });
}

function nullIfTooLarge(error: unknown): null {
  if (error instanceof TooLargeError) return null;
  throw error;
}
