import { expose } from "comlink";
import { readCourseFile, writeProvenCourseFile } from "#core/formats";
import type { ArchiveJobs } from "./protocol";

const jobs: ArchiveJobs = {
  pack: (archive, writtenAt) =>
    Promise.resolve(writeProvenCourseFile(archive, writtenAt) as Awaited<ReturnType<ArchiveJobs["pack"]>>),
  unpack: (bytes) => Promise.resolve(readCourseFile(bytes)),
};

expose(jobs);
