export {
  assignmentId,
  criterionId,
  entriesOf,
  fileId,
  makeRubric,
  run,
  smallCourse,
  studentId,
  WORLD,
} from "./builders";
export { courseFileOf, readBytes } from "./course-files";
export { makePiece } from "./make-piece";
export { reference } from "./reference";
export { anyCourse } from "./any-course";
export { runs } from "./runs";
export { anyOf, anyRecords } from "./any-record";
export { Journalled } from "./journalled";
export { judgedClass } from "./judged-class";
export { scoredClass } from "./scored-class";
export { classStudent, wholeClass, withAnswers, withCriteria, withJudgements, withScores } from "./whole-class";
export {
  codeIn,
  commentOnEssay,
  handedOver,
  judgeEssay,
  opened,
  PACKET_AT,
  packetOf,
  paperStates,
  takenBack,
} from "./packets";
