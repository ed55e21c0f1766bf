export {
  COURSE_FILE_VERSION,
  filesOf,
  readCourseFile,
  writeCourseFile,
  type CourseArchive,
  type CourseFileIssue,
} from "./course-file";
export { scoresCsv, writeCsv } from "./csv";
export { readRoster, type RosterLine } from "./roster";
