export {
  filesEverNamed,
  filesOf,
  MOST_COURSE_FILE_BYTES,
  openedPiece,
  packedPiece,
  readCourseFile,
  readWholeCourseFile,
  runningSum,
  sourceOf,
  sumsOf,
  writeCourseFile,
  writeProvenCourseFile,
  type CourseArchive,
  type CourseFileIssue,
  type CourseSource,
  type PackedPiece,
  type ProvenCourse,
  type ReadCourse,
  type UnprovenIssue,
  type WholeCourse,
  copiesToDrop,
  copyName,
  keptCopy,
} from "./course-file";
export { scoresCsv, writeCsv, type Cell } from "./tables/csv";
export { readAnswers, type AnswerIssue } from "./tables/answers";
export { postsPage, readPosts, type PostIssue, type ReadPosts } from "./tables/posts";
export {
  isPageKind,
  MOST_CHARACTERS,
  MOST_NODES,
  pageTree,
  type ForeignNode,
  type PageContent,
  type PageElement,
  type PageIssue,
  type PageKind,
  type PageNode,
} from "./files/page-tree";
export { deflated, inflated } from "./files/deflated";
export { isAgeFile } from "./files/locked";
export { MOST_PIXELS, pictureSize, withoutMetadata } from "./files/picture";
export { readBlock, writeBlock } from "./tables/block";
export { readPastedStudents, type PastedByStudent, type PastedRowIssue } from "./tables/pasted-students";
export { readRosterTable, ROSTER_ROLES, rosterFrom, type RosterIssue, type RosterRole } from "./tables/roster";
export { readRubricFile, rubricCsv, rubricJson, type RubricFileIssue } from "./tables/rubric-file";
export { webAnnotations } from "./files/web-annotations";
export { readShorthand, shortNameOf, type ShorthandIssue, type ShorthandItem } from "./shorthand/shorthand";
export { daysOn, readDate } from "./shorthand/shorthand-date";
export { base64 } from "./files/base64";
export { MERGE_FIELDS, mergeFields, type MergeValues } from "./letters/merge-fields";
export { headerText, isMailAddress, mailDraft, type MailDraft } from "./letters/mail-draft";
export {
  copyFileName,
  filesOfCopy,
  hasContent,
  studentCopyOf,
  type CopyFiles,
  type StudentCopyContent,
} from "./student-copy/student-copy";
export { studentCopyHtml } from "./student-copy/student-copy-html";
export {
  finalGrades,
  finalGradesCsv,
  gradeDifferences,
  openBeforeGrades,
  type FinalGrade,
} from "./tables/final-grades";
export { outcomeReports, outcomesCsv, type OutcomeReport } from "./tables/outcome-report";
export { rosterOfSet, shorthandOfSet } from "./tables/plan-of-set";
export { resultsSheet } from "./tables/results-sheet";
export { rosterResultsArchive, rosterResultsFiles } from "./tables/roster-results";
export { progressReport, type ProgressReport } from "./student-copy/progress-report";
export { asItLeft, scoresIn, scoresSheets } from "./sheets/scores-sheet";
export { cellText, isSheetType, SHEET_TYPES, type Sheet, type SheetCell } from "./sheets/sheet";
export { findHead, type ColumnMeaning, type SheetHead } from "./sheets/sheet-columns";
export type { LetterRead, SheetEntryIssue } from "./sheets/sheet-entry";
export { cellsToEnter, previewSheet, type SheetCellPreview, type SheetPreview } from "./sheets/sheet-preview";
