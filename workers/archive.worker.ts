import { expose, transfer } from "comlink";
import { brokenLink } from "#core/changes";
import {
  openedPiece,
  packedPiece,
  readCourseFile,
  readWholeCourseFile,
  runningSum,
  sourceOf,
  writeProvenCourseFile,
  type CourseSource,
  type PackedPiece,
} from "#core/formats";
import { ok } from "#core/kernel";
import { courseOf, packedState } from "#core/model";
import type { ArchiveJobs, AskedCourse } from "./protocol";

/** A course as its page hands it over when it is asked. */
const sourceFrom = (course: AskedCourse, unproven: number): CourseSource => ({
  unproven,
  file: (id) => course.file(id),
  pieces: async function* () {
    await course.begin();
    for (let piece = await course.next(); piece; piece = await course.next()) yield openedPiece(piece);
  },
});

const jobs: ArchiveJobs = {
  pack: async (course, writtenAt) =>
    writeProvenCourseFile(sourceFrom(course, await course.unproven()), writtenAt, (written, readBack) => {
      void course.tell(written, readBack);
    }),
  packWhole: (archive, writtenAt) => writeProvenCourseFile(sourceOf(archive), writtenAt),
  unpack: async (file) => {
    const read = await readWholeCourseFile(file);
    if (!read.ok) return read;
    const { entries, state, files, lacking } = read.value;
    return ok({ entries, state, files, lacking });
  },
  readIn: async (file, tell) => {
    const pieces: PackedPiece[] = [];
    const read = await readCourseFile(file, async (piece) => {
      pieces.push(await packedPiece(piece, piece.first));
      await tell(piece.first + piece.texts.length - 1);
    });
    if (!read.ok) return read;
    const { history, count, unproven, broken, files, lacking } = read.value;
    const state = packedState(read.value.state);
    const course = courseOf(read.value.state);
    const bytes = [state.bytes.buffer, ...pieces.map((piece) => piece.bytes.buffer)];
    return transfer(ok({ pieces, state, history, count, unproven, broken, files, lacking, course }), bytes);
  },
  lock: async (file, passphrase) => (await import("./age")).ageLocked(file, passphrase),
  unlock: async (file, passphrase) => (await import("./age")).ageOpened(file, passphrase),
  brokenLink: async (piece, before) => {
    const sum = await runningSum();
    return brokenLink({ ...(await openedPiece(piece)), before }, (text) => {
      sum.add(text);
      return sum.end();
    });
  },
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
