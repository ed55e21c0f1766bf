import type { AssignmentId, CriterionId, QuestionId, StudentId } from "#core/kernel";
import type { Answer } from "../records/question";
import { facetSchema, type Release, type StudentCopy } from "../records/release";
import type { Judgement, ResultRecord } from "../records/work";

/** Tables whose records stand for every key from the start; a blank one is not stored. */
export interface BlankRecords {
  readonly results: ResultRecord;
  readonly judgements: Judgement;
  readonly releases: Release;
  readonly copies: StudentCopy;
  readonly answers: Answer;
}

/** The fields every result starts with. */
export const RESULT_DEFAULTS = {
  decision: null,
  score: null,
  setByHand: null,
  unitsLate: null,
  moreTime: null,
  attemptScores: [],
  levelId: null,
  outcomeLevelId: null,
  adjustment: null,
  held: false,
  heldReason: "",
  overallComment: "",
  feedbackFiles: [],
  privateNote: "",
  zones: [],
} as const satisfies Partial<Record<keyof ResultRecord, unknown>>;

const BLANK_RESULT = { id: "", assignmentId: "", studentId: "", ...RESULT_DEFAULTS };

/** A course has a hundred thousand of them, all made at its opening: one copied whole takes a quarter of one put together. */
function blankResult(id: string): ResultRecord {
  const slash = id.indexOf("/");
  return {
    ...BLANK_RESULT,
    id,
    assignmentId: id.slice(0, slash) as AssignmentId,
    studentId: id.slice(slash + 1) as StudentId,
    attemptScores: [],
    feedbackFiles: [],
    zones: [],
  };
}

const MAKERS: { readonly [T in keyof BlankRecords]: (id: string) => BlankRecords[T] } = {
  results: blankResult,
  judgements: (id) => {
    const [assignmentId, studentId, criterionId] = id.split("/");
    return {
      id,
      assignmentId: assignmentId as AssignmentId,
      studentId: studentId as StudentId,
      criterionId: criterionId as CriterionId,
      points: null,
      notApplicable: false,
      comment: "",
      privateNote: "",
    };
  },
  releases: (id) => {
    const [assignmentId, facet] = id.split("/");
    return {
      id,
      assignmentId: assignmentId as AssignmentId,
      facet: facetSchema.parse(facet),
      state: "sealed",
      at: null,
      waves: [],
    };
  },
  copies: (id) => {
    const [assignmentId, studentId] = id.split("/");
    return {
      id,
      assignmentId: assignmentId as AssignmentId,
      studentId: studentId as StudentId,
      score: null,
      rubric: null,
      comments: null,
      outcomes: null,
      classFigures: null,
      name: "",
    };
  },
  answers: (id) => {
    const [assignmentId, studentId, questionId] = id.split("/");
    return {
      id,
      assignmentId: assignmentId as AssignmentId,
      studentId: studentId as StudentId,
      questionId: questionId as QuestionId,
      text: "",
      points: null,
      comment: "",
    };
  },
};

/** The blank record of a key, such as `assignment:essay/student:ada`. */
export const blankRecord = <T extends keyof BlankRecords>(table: T, id: string): BlankRecords[T] => MAKERS[table](id);

/** Whether records of a table stand for every key from the start. */
export const hasBlanks = (table: string): table is keyof BlankRecords => Object.hasOwn(MAKERS, table);
