export {
  COURSE_FILE_VERSION,
  MOST_BYTES as MOST_COURSE_FILE_BYTES,
  type CourseArchive,
  type CourseFileIssue,
  type ReadCourse,
} from "./archive";
export { filesEverNamed, filesOf } from "./named-files";
export { writeProvenCourseFile, type UnprovenIssue } from "./proven";
export { readCourseFile } from "./read";
export { copiesToDrop, copyName, keptCopy } from "./rotation";
export { writeCourseFile } from "./write";
