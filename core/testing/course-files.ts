import { readWholeCourseFile, sourceOf, writeCourseFile, type CourseArchive } from "#core/formats";
import type { Instant } from "#core/kernel";

/** The bytes of the course file of a course in memory. */
export async function courseFileOf(archive: CourseArchive, writtenAt: Instant): Promise<Uint8Array<ArrayBuffer>> {
  const { file } = await writeCourseFile(sourceOf(archive), writtenAt);
  return new Uint8Array(await file.arrayBuffer());
}

/** Reads the bytes of a course file whole. */
export const readBytes = (bytes: Uint8Array<ArrayBuffer>) => readWholeCourseFile(new Blob([bytes]));
