import { pointsText, type StudentId, shuffledBy } from "#core/kernel";
import {
  answerOf,
  rosterName,
  handInOf,
  notesOf,
  questionsOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Note,
  type Question,
  type WorkFile,
  type Zone,
  zonesFor,
} from "#core/model";
import { readingOf } from "#core/scoring";
import { answerPoints, keyPoints } from "#core/totals";
import { namelessFile } from "../../../ui/beside/nameless-file";
import { hasPages } from "../../../ui/work/zones/has-pages";

/** One answer among all to the same question. */
export interface AnswerSheet {
  readonly studentId: StudentId;
  /** The name, or a number where names are hidden. */
  readonly title: string;
  readonly text: string;
  readonly points: string | null;
  readonly setByHand: boolean;
  readonly byKey: string | null;
  readonly comment: string;
  /** What the key reads of it; equal answers have the same. */
  readonly reading: string;
  readonly file: WorkFile | null;
  /** Remarks on that file. */
  readonly marks: readonly Note[];
  /** Where on the paper it was written; none where answers came in as text. */
  readonly zones: readonly Zone[];
}

/** Whether an answer is read from the paper, not from text. */
export const isWrittenOnPaper = ({ text, zones }: Pick<AnswerSheet, "text" | "zones">): boolean =>
  text.trim() === "" && zones.length > 0;

/** Equal answers that were judged the same, as one line: the first of them, and who else gave it. */
export interface AlikeAnswers extends AnswerSheet {
  readonly alike: readonly { readonly studentId: StudentId; readonly title: string }[];
}

/** Answers with equal ones together, at the place of the first; those whose reading is in `apart` stand by themselves. */
export function togetherAlike(sheets: readonly AnswerSheet[], apart: ReadonlySet<string> | "all"): AlikeAnswers[] {
  const groups = new Map<string, [AnswerSheet, ...AnswerSheet[]]>();
  for (const sheet of sheets) {
    const { studentId, reading, points, setByHand, comment } = sheet;
    const alone = apart === "all" || apart.has(reading) || isWrittenOnPaper(sheet);
    const key = alone ? studentId : JSON.stringify([reading, points, setByHand, comment]);
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
    const given = handInOf(state, assignment.id, student.id)?.attempts.at(-1)?.files.at(-1) ?? null;
    const title = view.nameless ? `Answer ${String(index + 1)}` : rosterName(state, student);
    const file = given && view.nameless ? namelessFile(given, title) : given;
    const [points, byKey] = [answerPoints(state, question, answer), keyPoints(state, question, answer)];
    return {
      studentId: student.id,
      title,
      text: answer.text,
      points: points && pointsText(points),
      setByHand: answer.points !== null,
      byKey: byKey && pointsText(byKey),
      comment: answer.comment,
      reading: readingOf(question.key, answer.text),
      file,
      marks: notesOf(state, assignment.id, student.id).filter((note) => note.fileId === file?.id),
      zones: file && hasPages(file) ? zonesFor(state, assignment, student.id, question.id) : [],
    };
  });
  return { question, place, questions, sheets, open: sheets.filter(({ points }) => points === null).length };
}
