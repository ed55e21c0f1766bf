import {
  compare,
  fractionText,
  fromDecimal,
  pointsText,
  readPoints,
  type Exact,
  type FileId,
  type StudentId,
} from "#core/kernel";
import {
  answerOf,
  courseOf,
  handInOf,
  judgementOf,
  notesOf,
  questionsOf,
  resultOf,
  rubricOf,
  type Assignment,
  type ClassFiguresCopy,
  type CommentsCopy,
  type CourseState,
  type Facet,
  type Note,
  type OutcomesCopy,
  type RubricCopy,
  type ScoreCopy,
  type Student,
  levelGiven,
} from "#core/model";
import { levelAt, outcomeRows, rulerEnds } from "#core/scoring";
import { answerPoints, figuresOf } from "#core/totals";
import { classFiguresOf } from "./class-figures";

/** The content of a facet by its name. */
export interface FacetContent {
  readonly score: ScoreCopy;
  readonly rubric: RubricCopy;
  readonly comments: CommentsCopy;
  readonly outcomes: OutcomesCopy;
  readonly classFigures: ClassFiguresCopy;
}

/** The facets of one student's copy; null where a facet shows nothing. */
export type FacetContents = { readonly [F in Facet]: FacetContent[F] | null };

/**
 * What a facet of one paper would hold if it were released now; null when there is nothing to release. Private notes,
 * other students and the marker's name are never part of it.
 */
export function facetNow<F extends Facet>(
  state: CourseState,
  assignment: Assignment,
  student: Student,
  facet: F,
): FacetContent[F] | null {
  const drafts: { readonly [K in Facet]: () => FacetContent[K] | null } = {
    score: () => draftScore(state, assignment, student),
    rubric: () => draftRubric(state, assignment, student),
    comments: () => draftComments(state, assignment, student),
    outcomes: () => draftOutcomes(state, assignment, student),
    classFigures: () => classFiguresOf(state, assignment),
  };
  return drafts[facet]();
}

function draftScore(state: CourseState, assignment: Assignment, student: Student): ScoreCopy | null {
  const figure = figuresOf(state).figure(assignment.id, student.id);
  const isSaid = figure.counted !== null || figure.wordsOnly;
  if (!isSaid && figure.standing !== "excused" && figure.standing !== "missing") return null;
  const { percentPlaces } = courseOf(state);
  const cut = figure.source !== "setByHand" && figure.deduction.n !== 0n;
  // What a person entered in points, also on several rulers, is read as it was entered; what a rule made of it, with the
  // course's places.
  const isEntered = (value: Exact) =>
    figure.source === "setByHand" ||
    (assignment.scoredIn.kind === "points" &&
      figure.steps.some(({ raw }) => compare(raw, value) === 0 && compare(fromDecimal(pointsText(raw)), raw) === 0));
  const asRead = (value: Exact) => (isEntered(value) ? pointsText(value) : readPoints(value, percentPlaces));
  return {
    standing: figure.standing,
    points: figure.counted && asRead(figure.counted),
    level: figure.wordsOnly && figure.counted === null ? levelGiven(state, assignment, student.id) : null,
    exact: figure.counted && fractionText(figure.counted),
    maximum: assignment.points,
    beforeDeduction: cut && figure.score ? asRead(figure.score) : null,
    unitsLate: cut ? figure.unitsLate : 0,
  };
}

function draftRubric(state: CourseState, assignment: Assignment, student: Student): RubricCopy | null {
  const figure = figuresOf(state).figure(assignment.id, student.id);
  if (figure.standing !== "handedIn") return null;
  const rubric = figure.rubric?.score == null ? null : rubricOf(state, assignment);
  const answers = figure.source === "answers" ? draftAnswers(state, assignment, student) : [];
  if (!rubric && answers.length === 0) return null;
  const rows = (rubric?.criteria ?? []).map((criterion) => {
    const judgement = judgementOf(state, assignment.id, student.id, criterion.id);
    const level = judgement.points === null ? null : levelAt(criterion, judgement.points);
    return {
      criterionId: criterion.id,
      name: criterion.name,
      points: judgement.points,
      maximum: rulerEnds(criterion).maximum,
      level: level?.name ?? null,
      descriptor: level?.descriptor ?? "",
      notApplicable: judgement.notApplicable,
    };
  });
  return { rows, answers };
}

/** Each question with what was answered and what it earned; never the key. */
const draftAnswers = (state: CourseState, assignment: Assignment, student: Student): RubricCopy["answers"] =>
  questionsOf(state, assignment.id).map((question) => {
    const answer = answerOf(state, assignment.id, student.id, question.id);
    const points = answerPoints(state, question, answer);
    const { id: questionId, prompt, points: maximum } = question;
    return {
      questionId,
      prompt,
      text: answer.text,
      points: points && pointsText(points),
      maximum,
      comment: answer.comment.trim(),
    };
  });

/** Attainment in levels and words, never in points. */
function draftOutcomes(state: CourseState, assignment: Assignment, student: Student): OutcomesCopy | null {
  const judged = outcomeRows(state, assignment, student).map((row) => ({
    ...row,
    level: row.given === null ? null : (row.levels[row.given - 1] ?? null),
    comment: row.comment.trim(),
  }));
  const rows = judged.flatMap(({ criterionId, name, level, comment }) =>
    criterionId !== null && (level !== null || comment !== "")
      ? [{ criterionId, name, level: level?.name ?? null, descriptor: level?.descriptor ?? "", comment }]
      : [],
  );
  const onScale = judged.find(({ criterionId }) => criterionId === null);
  const attainment = onScale?.level ? { scale: onScale.name, level: onScale.level.name } : null;
  return rows.length === 0 && !attainment ? null : { rows, attainment };
}

/** Where words for a whole group stand in the copy of a member who does not have the file they stand on. */
const NO_PLACE: Note["target"] = { kind: "point", page: 1, x: 0, y: 0 };

/**
 * A note as one student is given it. What is said to a group about a file of a mate's own reaches the others in words
 * alone: neither the passage nor whose it is.
 */
function givenNote(note: Note, studentId: StudentId, held: ReadonlySet<FileId>): readonly Note[] {
  if (note.studentId === studentId || held.has(note.fileId)) return [{ ...note, studentId }];
  return note.body.trim() === "" ? [] : [{ ...note, studentId, target: NO_PLACE }];
}

function draftComments(state: CourseState, assignment: Assignment, student: Student): CommentsCopy | null {
  const rubric = rubricOf(state, assignment);
  const files = handInOf(state, assignment.id, student.id)?.attempts.flatMap((attempt) => attempt.files) ?? [];
  const held = new Set(files.map(({ id }) => id));
  const notes = notesOf(state, assignment.id, student.id).flatMap((note) => givenNote(note, student.id, held));
  const { overallComment, feedbackFiles } = resultOf(state, assignment.id, student.id);
  const overall = overallComment.trim();
  const criteria = (rubric?.criteria ?? [])
    .map((criterion) => ({
      criterionId: criterion.id,
      name: criterion.name,
      comment: judgementOf(state, assignment.id, student.id, criterion.id).comment.trim(),
    }))
    .filter(({ comment }) => comment !== "");
  if (overall === "" && criteria.length === 0 && notes.length === 0 && feedbackFiles.length === 0) return null;
  const marked = new Set(notes.map((note) => note.fileId));
  return {
    overall,
    criteria,
    files: files.filter((file) => marked.has(file.id)),
    attachments: feedbackFiles,
    notes: notes.map(({ by: _by, createdAt: _createdAt, forGroup: _forGroup, ...note }) => ({
      ...note,
      criterionName: rubric?.criteria.find((criterion) => criterion.id === note.criterionId)?.name ?? null,
    })),
  };
}
