export { blankRecord, hasBlanks } from "./tables/blank";
export {
  COURSE_DEFAULTS,
  courseSchema,
  termSchema,
  type Band,
  type Course,
  type LateRule,
  type Term,
  type DateOrder,
  type DecimalMark,
} from "./records/course";
export { commentField, decimalField, idField, instantField, nameField, recordKeyField } from "./records/fields";
export { byName, fullName, listName, STUDENT_DEFAULTS, initials, type Section, type Student } from "./records/people";
export {
  ASSIGNMENT_DEFAULTS,
  CATEGORY_DEFAULTS,
  assignmentSchema,
  categorySchema,
  scaleSchema,
  rubricSchema,
  scalingSchema,
  type Assignment,
  type Category,
  type Criterion,
  type Level,
  type Rubric,
  type Scale,
  type Scaling,
} from "./records/plan";
export {
  FACETS,
  facetSchema,
  type ClassFiguresCopy,
  type OutcomesCopy,
  type CommentsCopy,
  type Facet,
  type Release,
  type RubricCopy,
  type ScoreCopy,
  type StudentCopy,
  type TotalCopy,
  type TotalSeal,
  type Wave,
  type Told,
} from "./records/release";
export { TOTALS_LETTER, type Delivery, type GradeExport, type Mail, type Opening } from "./records/mailing";
export { type Message } from "./records/message";
export { postSchema, type Post } from "./records/post";
export { answerSchema, questionSchema, type Answer, type AnswerKey, type Question } from "./records/question";
export { ownPosts, type ThreadedPost } from "./text/threads";
export { fillPhrase, phraseSchema, phraseTest, type Phrase, type PhrasePlaces } from "./records/phrase";
export { codePointOffset, findPassage, makePassage, utf16Offset } from "./text/anchor";
export {
  groupSchema,
  judgementSchema,
  NOTE_COLOURS,
  noteSchema,
  resultSchema,
  strokeField,
  type Attempt,
  type Group,
  type HandIn,
  type Judgement,
  type Note,
  type NoteColour,
  type NoteMark,
  type Passage,
  type ResultRecord,
  type Stroke,
} from "./records/work";
export {
  assignmentsOf,
  categoriesOf,
  copyOf,
  courseOf,
  deliveriesOf,
  EMPTY_STATE,
  gradeExportsOf,
  sectionsOf,
  groupOf,
  answerOf,
  groupMembers,
  leftStudentsOf,
  namesBy,
  handInOf,
  mailsOf,
  messagesOf,
  moderationOf,
  ownHandInOf,
  postsOf,
  questionsOf,
  judgementKey,
  judgementOf,
  notesOf,
  releaseOf,
  secondMarkOf,
  secondMarkersOf,
  resultKey,
  resultOf,
  rubricOf,
  outcomeRubricOf,
  outcomeScaleOf,
  studentsOf,
  TABLE_NAMES,
  tableSchemas,
  termsOf,
  totalCopiesOf,
  totalSealOf,
  type CourseState,
  type RecordOf,
  type TableName,
} from "./tables/state";
export {
  moderationSchema,
  secondMarkSchema,
  type Moderation,
  type SampleWay,
  type SecondMark,
  type Settled,
} from "./records/moderation";
export { packetSchema, type Packet } from "./records/packet";
export { asideSchema } from "./records/aside";
export { zoneSchema, type Zone, type ZoneTarget } from "./records/zone";
export { levelGiven } from "./tables/level-given";
export { zonesFor } from "./tables/zones";
export { dueFor, dueTimesPassed, isOverFor } from "./tables/due";
export { cutAt, eachOf, recordAt, recordsOf, StateEditor, wholeTable, withRecords } from "./tables/tables";
export { packedState, unpackedState, type PackedState } from "./tables/packed-state";
export { fullState, type SlimState } from "./tables/slim";
export { completeFields, completeRecord } from "./tables/complete";
export { fileSchema, isArchiveFile, mediaTypeOf, workKindOf, type WorkFile, type WorkKind } from "./records/file";
export { differencesOf, type Stretch } from "./text/differences";
export { rosterName } from "./text/roster-name";
export { findStudents, plainText } from "./text/find-student";
export { usesOfRubric, usesOfScale } from "./tables/uses";
