export { blankRecord, hasBlanks } from "./blank";
export { COURSE_DEFAULTS, courseSchema, type Band, type Course, type LateRule, type Term } from "./course";
export { commentField, decimalField, idField, instantField, nameField } from "./fields";
export { byName, fullName, initials, type Marker, type Section, type Student } from "./people";
export {
  ASSIGNMENT_DEFAULTS,
  CATEGORY_DEFAULTS,
  rubricSchema,
  scalingSchema,
  type Assignment,
  type Category,
  type Criterion,
  type Level,
  type Rubric,
  type Scale,
  type Scaling,
} from "./plan";
export {
  FACETS,
  facetSchema,
  type CommentsCopy,
  type Facet,
  type Release,
  type RubricCopy,
  type ScoreCopy,
  type StudentCopy,
  type TotalSeal,
} from "./release";
export { codePointOffset, findPassage, makePassage, utf16Offset } from "./anchor";
export {
  fileSchema,
  noteSchema,
  type Attempt,
  type Group,
  type HandIn,
  type Judgement,
  type Note,
  type Passage,
  type ResultRecord,
  type WorkFile,
} from "./work";
export {
  assignmentsOf,
  categoriesOf,
  copyOf,
  courseOf,
  EMPTY_STATE,
  groupOf,
  handInOf,
  judgementKey,
  judgementOf,
  notesOf,
  releaseOf,
  resultKey,
  resultOf,
  rubricOf,
  studentsOf,
  TABLE_NAMES,
  tableSchemas,
  termsOf,
  totalSealOf,
  type CourseState,
  type RecordOf,
  type TableName,
} from "./state";
