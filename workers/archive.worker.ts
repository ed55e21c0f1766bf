import { expose } from "comlink";
import { brokenLink } from "#core/changes";
import { readCourseFile, writeProvenCourseFile } from "#core/formats";
import type { ArchiveJobs } from "./protocol";

const jobs: ArchiveJobs = {
  pack: (archive, writtenAt) =>
    Promise.resolve(writeProvenCourseFile(archive, writtenAt) as Awaited<ReturnType<ArchiveJobs["pack"]>>),
  unpack: (bytes) => Promise.resolve(readCourseFile(bytes)),
  lock: async (bytes, passphrase) => (await import("./age")).ageLocked(bytes, passphrase),
  unlock: async (bytes, passphrase) => (await import("./age")).ageOpened(bytes, passphrase),
  brokenLink: (piece) => Promise.resolve(brokenLink(piece)),
  nameless: async (files, tell) => {
    const [{ nameless }, { readPdf }, { coveredPdf }] = await Promise.all([
      import("./packets/nameless"),
      import("./text/pdf"),
      import("./packets/covered-pdf"),
    ]);
    const done = [];
    for (const file of files) {
      await tell(done.length);
      done.push(await nameless(file, { read: readPdf, cover: coveredPdf }));
    }
    return done;
  },
};

expose(jobs);
