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

const MAKERS: { readonly [T in keyof BlankRecords]: (id: string, parts: readonly string[]) => BlankRecords[T] } = {
  results: (id, [assignmentId, studentId]) => ({
    id,
    assignmentId: assignmentId as AssignmentId,
    studentId: studentId as StudentId,
    ...RESULT_DEFAULTS,
    attemptScores: [],
    feedbackFiles: [],
    zones: [],
  }),
  judgements: (id, [assignmentId, studentId, criterionId]) => ({
    id,
    assignmentId: assignmentId as AssignmentId,
    studentId: studentId as StudentId,
    criterionId: criterionId as CriterionId,
    points: null,
    notApplicable: false,
    comment: "",
    privateNote: "",
  }),
  releases: (id, [assignmentId, facet]) => ({
    id,
    assignmentId: assignmentId as AssignmentId,
    facet: facetSchema.parse(facet),
    state: "sealed",
    at: null,
    waves: [],
  }),
  copies: (id, [assignmentId, studentId]) => ({
    id,
    assignmentId: assignmentId as AssignmentId,
    studentId: studentId as StudentId,
    score: null,
    rubric: null,
    comments: null,
    outcomes: null,
    classFigures: null,
    name: "",
  }),
  answers: (id, [assignmentId, studentId, questionId]) => ({
    id,
    assignmentId: assignmentId as AssignmentId,
    studentId: studentId as StudentId,
    questionId: questionId as QuestionId,
    text: "",
    points: null,
    comment: "",
  }),
};

/** The blank record of a key, such as `assignment:essay/student:ada`. */
export const blankRecord = <T extends keyof BlankRecords>(table: T, id: string): BlankRecords[T] =>
  MAKERS[table](id, id.split("/"));

/** Whether records of a table stand for every key from the start. */
export const hasBlanks = (table: string): table is keyof BlankRecords => Object.hasOwn(MAKERS, table);
