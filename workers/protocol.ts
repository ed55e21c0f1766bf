import type { CourseArchive, CourseFileIssue } from "#core/formats";
import type { Instant, Result } from "#core/kernel";

/** What the archive worker can be asked. Data goes in and comes out by value. */
export interface ArchiveJobs {
  readonly pack: (archive: CourseArchive, writtenAt: Instant) => Promise<Uint8Array<ArrayBuffer>>;
  readonly unpack: (bytes: Uint8Array<ArrayBuffer>) => Promise<Result<CourseArchive, CourseFileIssue>>;
}
