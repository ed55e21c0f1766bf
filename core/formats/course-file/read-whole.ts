import type { Chain, Entry } from "#core/changes";
import { ok, type Result } from "#core/kernel";
import type { CourseFileIssue, ReadCourse } from "./archive";
import { readCourseFile } from "./read";

/** A course file with all of its journal in memory: for those that are small, such as packets. */
export interface WholeCourse extends ReadCourse {
  readonly entries: readonly Entry[];
  readonly chain: Chain;
}

/** Reads a course file back whole, or says why not. */
export async function readWholeCourseFile(file: Blob): Promise<Result<WholeCourse, CourseFileIssue>> {
  const entries: Entry[] = [];
  const texts: string[] = [];
  const sums: string[] = [];
  const read = await readCourseFile(file, (piece) => {
    for (const entry of piece.entries) entries.push(entry);
    for (const text of piece.texts) texts.push(text);
    for (const sum of piece.sums) sums.push(sum);
  });
  return read.ok ? ok({ ...read.value, entries, chain: { texts, sums, unproven: read.value.unproven } }) : read;
}
