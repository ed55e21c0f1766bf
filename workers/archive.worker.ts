import { expose } from "comlink";
import { readCourseFile, writeCourseFile } from "#core/formats";
import type { ArchiveJobs } from "./protocol";

const jobs: ArchiveJobs = {
  pack: (archive, writtenAt) => Promise.resolve(writeCourseFile(archive, writtenAt) as Uint8Array<ArrayBuffer>),
  unpack: (bytes) => Promise.resolve(readCourseFile(bytes)),
};

expose(jobs);
