export {
  COURSE_FILE_VERSION,
  filesEverNamed,
  filesOf,
  MOST_COURSE_FILE_BYTES,
  readCourseFile,
  writeCourseFile,
  writeProvenCourseFile,
  type CourseArchive,
  type CourseFileIssue,
  type ReadCourse,
  type UnprovenIssue,
} from "./course-file";
export { scoresCsv, writeCsv, type Cell } from "./csv";
export { readAnswers, type AnswerIssue, type ReadAnswers } from "./answers";
export { postsPage, readPosts, type PostIssue, type ReadPosts } from "./posts";
export type {
  FeedbackSheet,
  FontFile,
  FoundMark,
  MarkedPaper,
  MarkPlace,
  PaperSource,
  PdfMark,
  Quad,
  SheetPassage,
  TextBlock,
} from "./marked-paper";
export {
  MOST_CHARACTERS,
  pageTree,
  type ForeignNode,
  type PageContent,
  type PageElement,
  type PageIssue,
  type PageKind,
  type PageNode,
} from "./page-tree";
export { MOST_PIXELS, pictureSize, withoutMetadata, type PictureSize } from "./picture";
export { readBlock, writeBlock } from "./block";
export { readPastedStudents, type PastedByStudent, type PastedRow, type PastedRowIssue } from "./pasted-students";
export {
  readRosterTable,
  ROSTER_ROLES,
  rosterFrom,
  type RosterIssue,
  type RosterLine,
  type RosterRole,
  type RosterTable,
} from "./roster";
export { readRubricFile, rubricCsv, rubricJson, type RubricFileIssue } from "./rubric-file";
export { webAnnotations, type AnnotatedFile } from "./web-annotations";
export { readShorthand, shortNameOf, type ShorthandIssue, type ShorthandItem } from "./shorthand";
export { daysOn, readDate, type LocalMoment } from "./shorthand-date";
export { base64, base64Text } from "./base64";
export { MERGE_FIELDS, mergeFields, type MergeField, type Merged, type MergeValues } from "./merge-fields";
export {
  headerText,
  isMailAddress,
  mailDraft,
  type MailAttachment,
  type MailDraft,
  type MailPerson,
} from "./mail-draft";
export {
  copyFileName,
  filesOfCopy,
  hasContent,
  studentCopyOf,
  type CopyFiles,
  type CopyLetter,
  type StudentCopyContent,
} from "./student-copy";
export { studentCopyHtml, type HtmlParts } from "./student-copy-html";
export {
  finalGrades,
  finalGradesCsv,
  gradeDifferences,
  openBeforeGrades,
  type FinalGrade,
  type GradeDifference,
} from "./final-grades";
export { outcomeReports, outcomesCsv, type LevelGiven, type OutcomeReport } from "./outcome-report";
export { rosterResultsArchive, rosterResultsFiles } from "./roster-results";
export { progressReport, type ProgressReport } from "./progress-report";
