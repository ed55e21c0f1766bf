import { add, fromDecimal, ZERO, type Exact, type StudentId } from "#core/kernel";
import { answerOf, questionsOf, type Answer, type Assignment, type CourseState, type Question } from "#core/model";
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

/** What one answer earns: given by hand, else by the key; null while it waits. */
export const answerPoints = (question: Question, answer: Answer): Exact | null =>
  answer.points === null ? pointsByKey(question, answer.text) : fromDecimal(answer.points);

/** Adds the answers of a paper; null where the assignment has no questions. */
export function answersSum(state: CourseState, assignment: Assignment, studentId: StudentId): AnswersSum | null {
  const questions = questionsOf(state, assignment.id);
  if (questions.length === 0) return null;
  let [given, open] = [ZERO, 0];
  for (const question of questions) {
    const points = answerPoints(question, answerOf(state, assignment.id, studentId, question.id));
    if (points) given = add(given, points);
    else open += 1;
  }
  return { given, open, score: open === 0 ? given : null };
}
