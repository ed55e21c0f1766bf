export {
  COURSE_FILE_VERSION,
  MOST_BYTES as MOST_COURSE_FILE_BYTES,
  type CourseArchive,
  type CourseFileIssue,
  type ReadCourse,
} from "./archive";
export { filesEverNamed, filesOf } from "./named-files";
export { openedPiece, packedPiece, sumsOf, type PackedPiece } from "./packed-piece";
export { writeProvenCourseFile, type ProvenCourse, type UnprovenIssue } from "./proven";
export { readCourseFile } from "./read";
export { readWholeCourseFile, type WholeCourse } from "./read-whole";
export { copiesToDrop, copyName, keptCopy } from "./rotation";
export { runningSum } from "./running-sum";
export { sourceOf, type CourseSource } from "./source";
export { writeCourseFile } from "./write";
