import type { CourseArchive, CourseFileIssue, FoundMark, MarkedPaper } from "#core/formats";
import type { Instant, Result } from "#core/kernel";

/** What the archive worker can be asked. Data goes in and comes out by value. */
export interface ArchiveJobs {
  readonly pack: (archive: CourseArchive, writtenAt: Instant) => Promise<Uint8Array<ArrayBuffer>>;
  readonly unpack: (bytes: Uint8Array<ArrayBuffer>) => Promise<Result<CourseArchive, CourseFileIssue>>;
}

/** What the PDF worker can be asked. */
export interface PdfJobs {
  readonly writePaper: (paper: MarkedPaper) => Promise<Uint8Array<ArrayBuffer>>;
  /** @throws Error when the file is no PDF that can be read */
  readonly readMarks: (bytes: Uint8Array<ArrayBuffer>) => Promise<readonly FoundMark[]>;
}
