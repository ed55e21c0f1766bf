import { newChain } from "#core/changes";
import { ok, refuse, sameValue, type Instant, type Result } from "#core/kernel";
import type { CourseArchive, CourseFileIssue } from "./archive";
import { readCourseFile } from "./read";
import { writeCourseFile } from "./write";

/** A course file was written and did not come back as it went in: it must not be called saved. */
export interface UnprovenIssue {
  readonly code: "file_not_read_back";
  /** What the reading said; null where it was read and differs. */
  readonly why: CourseFileIssue | null;
}

/** Writes a course file, reads it back and compares entry by entry and byte by byte: a copy that cannot be read is none. */
export function writeProvenCourseFile(archive: CourseArchive, writtenAt: Instant): Result<Uint8Array, UnprovenIssue> {
  const bytes = writeCourseFile(archive, writtenAt);
  const back = readCourseFile(bytes);
  if (!back.ok) return refuse({ code: "file_not_read_back", why: back.issue });
  const chain = archive.chain ?? newChain(archive.entries);
  const whole =
    sameValue([chain.texts, chain.sums], [back.value.chain.texts, back.value.chain.sums]) &&
    [...back.value.files].every(([id, data]) => sameBytes(data, archive.files.get(id)));
  return whole ? ok(bytes) : refuse({ code: "file_not_read_back", why: null });
}

function sameBytes(a: Uint8Array, b: Uint8Array | undefined): boolean {
  if (a.length !== b?.length) return false;
  for (let at = 0; at < a.length; at += 1) if (a[at] !== b[at]) return false;
  return true;
}
