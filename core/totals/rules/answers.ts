import { add, fromDecimal, ZERO, type Exact, type StudentId } from "#core/kernel";
import {
  answerOf,
  handInOf,
  questionsOf,
  zonesFor,
  type Answer,
  type Assignment,
  type CourseState,
  type Question,
} from "#core/model";
import { pointsByKey } from "#core/scoring";

/** Where the answers of one paper stand. All figures in points. */
export interface AnswersSum {
  /** Sum of the answers judged so far, by key or by hand. */
  readonly given: Exact;
  /** Answers that wait to be judged by hand. */
  readonly open: number;
  /** The sum, once nothing waits. */
  readonly score: Exact | null;
}

/**
 * Whether an answer stands on the paper that was handed in, where one said that this question is answered. Such an answer
 * is not blank for having no text here: it waits to be read.
 */
function isOnPaper(state: CourseState, question: Question, { studentId, text }: Answer): boolean {
  if (text.trim() !== "") return false;
  const assignment = state.assignments[question.assignmentId];
  if (!assignment || zonesFor(state, assignment, studentId, question.id).length === 0) return false;
  return (handInOf(state, assignment.id, studentId)?.attempts.at(-1)?.files.length ?? 0) > 0;
}

/** What the key gives for an answer; null where it must be judged by hand. */
export const keyPoints = (state: CourseState, question: Question, answer: Answer): Exact | null =>
  isOnPaper(state, question, answer) ? null : pointsByKey(question, answer.text);

/** What one answer earns: given by hand, else by the key; null while it waits. */
export const answerPoints = (state: CourseState, question: Question, answer: Answer): Exact | null =>
  answer.points === null ? keyPoints(state, question, answer) : fromDecimal(answer.points);

/** Adds the answers of a paper; null where the assignment has no questions. */
export function answersSum(state: CourseState, assignment: Assignment, studentId: StudentId): AnswersSum | null {
  const questions = questionsOf(state, assignment.id);
  if (questions.length === 0) return null;
  let [given, open] = [ZERO, 0];
  for (const question of questions) {
    const points = answerPoints(state, question, answerOf(state, assignment.id, studentId, question.id));
    if (points) given = add(given, points);
    else open += 1;
  }
  return { given, open, score: open === 0 ? given : null };
}
