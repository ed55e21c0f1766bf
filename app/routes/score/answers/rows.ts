import { pointsText, type StudentId, shuffledBy } from "#core/kernel";
import {
  answerOf,
  rosterName,
  handInOf,
  questionsOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Question,
} from "#core/model";
import { pointsByKey, readingOf } from "#core/scoring";
import { answerPoints } from "#core/totals";

/** One answer among all to the same question. */
export interface AnswerSheet {
  readonly studentId: StudentId;
  /** The name, or a number where names are hidden. */
  readonly title: string;
  readonly text: string;
  readonly points: string | null;
  readonly byHand: boolean;
  readonly byKey: string | null;
  readonly comment: string;
  /** What the key reads of it; equal answers have the same. */
  readonly reading: string;
}

/** Equal answers that were judged the same, as one line: the first of them, and who else gave it. */
export interface AlikeAnswers extends AnswerSheet {
  readonly alike: readonly { readonly studentId: StudentId; readonly title: string }[];
}

/** Answers with equal ones together, at the place of the first; those whose reading is in `apart` stand by themselves. */
export function togetherAlike(sheets: readonly AnswerSheet[], apart: ReadonlySet<string> | "all"): AlikeAnswers[] {
  const groups = new Map<string, [AnswerSheet, ...AnswerSheet[]]>();
  for (const sheet of sheets) {
    const { studentId, reading, points, byHand, comment } = sheet;
    const alone = apart === "all" || apart.has(reading);
    const key = alone ? studentId : JSON.stringify([reading, points, byHand, comment]);
    const group = groups.get(key);
    if (group) group.push(sheet);
    else groups.set(key, [sheet]);
  }
  return [...groups.values()].map(([first, ...others]) => ({
    ...first,
    alike: others.map(({ studentId, title }) => ({ studentId, title })),
  }));
}

export interface AnswerSheets {
  readonly question: Question;
  readonly place: number;
  readonly questions: readonly Question[];
  readonly sheets: readonly AnswerSheet[];
  readonly open: number;
}

/** All answers to one question, of those who have handed in; null where there is no question. */
export function answerSheets(
  state: CourseState,
  assignment: Assignment,
  view: { readonly question: string | null; readonly nameless: boolean; readonly shuffle: number },
): AnswerSheets | null {
  const questions = questionsOf(state, assignment.id);
  const place = Math.max(
    0,
    questions.findIndex(({ id }) => id === view.question),
  );
  const question = questions[place];
  if (!question) return null;
  const students = studentsOf(state).filter(({ id }) => handInOf(state, assignment.id, id));
  const ordered = view.shuffle > 0 ? shuffledBy(students, view.shuffle) : students;
  const sheets = ordered.map((student, index): AnswerSheet => {
    const answer = answerOf(state, assignment.id, student.id, question.id);
    const [points, byKey] = [answerPoints(question, answer), pointsByKey(question, answer.text)];
    return {
      studentId: student.id,
      title: view.nameless ? `Answer ${String(index + 1)}` : rosterName(state, student),
      text: answer.text,
      points: points && pointsText(points),
      byHand: answer.points !== null,
      byKey: byKey && pointsText(byKey),
      comment: answer.comment,
      reading: readingOf(question.key, answer.text),
    };
  });
  return { question, place, questions, sheets, open: sheets.filter(({ points }) => points === null).length };
}
