import { compare, fromDecimal, toNumber, type Exact, type StudentId } from "#core/kernel";
import { answerOf, questionsOf, studentsOf, type Assignment, type CourseState, type Question } from "#core/model";
import { pointsByKey, readingOf } from "#core/scoring";
import { answerPoints, figuresOf } from "#core/totals";
import type { Statistic } from "../figures/computable";
import { mean, sumOf } from "../figures/describe";
import { cronbachAlpha, EXTREME_SHARE, itemStatistics, type ItemStatistics } from "../figures/items";

/** One answer to a question with those who gave it. */
export interface AnswerUse {
  /** As the first of them wrote it; empty where nothing was answered. */
  readonly text: string;
  readonly studentIds: readonly StudentId[];
  /** Whether the key gives it full points; null where there is no key. */
  readonly isRight: boolean | null;
  /** Mean of what they earned in the other questions, in points. */
  readonly restMean: number | null;
}

/** What one question tells about a class. */
export interface QuestionFigures extends ItemStatistics {
  readonly question: Question;
  readonly maximum: number;
  readonly mean: Statistic;
  /** Answers that wait to be judged; while any does, the question takes no part in what goes with what. */
  readonly open: number;
  /** The answers given, the most frequent first. */
  readonly answers: readonly AnswerUse[];
  /** The answer that the best papers give more often than the one the key calls right; null where the key seems right. */
  readonly likelier: AnswerUse | null;
}

/** What the questions of an assignment tell about its class. */
export interface PaperFigures {
  readonly papers: number;
  readonly questions: readonly QuestionFigures[];
  readonly alpha: Statistic;
}

/** Fewest papers over which a key is doubted: with fewer, one or two slips would do it. */
const LEAST_TO_DOUBT = 10;

/** What each question tells; null where the assignment has none. */
export function questionFigures(state: CourseState, assignment: Assignment): PaperFigures | null {
  const questions = questionsOf(state, assignment.id);
  if (questions.length === 0) return null;
  const { figure } = figuresOf(state);
  const present = studentsOf(state).filter(({ id }) => figure(assignment.id, id).standing === "handedIn");
  const answered = present.map(({ id }) =>
    questions.map((question) => {
      const answer = answerOf(state, assignment.id, id, question.id);
      return { text: answer.text, points: number(answerPoints(state, question, answer)) };
    }),
  );
  const settled = questions.map((_, at) => answered.every((paper) => paper[at]?.points !== null));
  const rows = answered.map((paper) => paper.flatMap(({ points }, at) => (settled[at] ? [points ?? 0] : [])));
  return {
    papers: present.length,
    alpha: cronbachAlpha(rows),
    questions: questions.map((question, at): QuestionFigures => {
      const maximum = toNumber(fromDecimal(question.points));
      const column = settled[at] ? settled.slice(0, at).filter(Boolean).length : -1;
      const rests = rows.map((row) => sumOf(row.filter((_, place) => place !== column)));
      const given = answered.map((paper, place) => ({
        studentId: present[place]?.id ?? ("" as StudentId),
        text: paper[at]?.text ?? "",
        rest: rests[place] ?? 0,
      }));
      const points = answered.flatMap((paper) => paper[at]?.points ?? []);
      const statistics =
        column < 0
          ? itemStatistics(
              points.map((one) => [one]),
              0,
              maximum,
            )
          : itemStatistics(rows, column, maximum);
      const uses = answerUses(question, given);
      return {
        ...statistics,
        question,
        maximum,
        mean: mean(points),
        open: answered.length - points.length,
        answers: uses,
        likelier:
          column < 0 || !(statistics.itemRest.ok && statistics.itemRest.value < 0)
            ? null
            : likelierThanKey(uses, given),
      };
    }),
  };
}

interface GivenAnswer {
  readonly studentId: StudentId;
  readonly text: string;
  readonly rest: number;
}

/** Answers that a key reads alike, together; written answers stand one by one and are not listed. */
function answerUses(question: Question, given: readonly GivenAnswer[]): AnswerUse[] {
  if (question.key.kind === "written") return [];
  const byReading = new Map<string, GivenAnswer[]>();
  for (const one of given) {
    const reading = readingOf(question.key, one.text);
    byReading.set(reading, [...(byReading.get(reading) ?? []), one]);
  }
  const full = fromDecimal(question.points);
  return [...byReading.values()]
    .map((those): AnswerUse => {
      const text = those[0]?.text.trim() ?? "";
      const earned = pointsByKey(question, text);
      const centre = mean(those.map(({ rest }) => rest));
      return {
        text,
        studentIds: those.map(({ studentId }) => studentId),
        isRight: earned && text !== "" ? compare(earned, full) >= 0 : false,
        restMean: centre.ok ? centre.value : null,
      };
    })
    .sort((a, b) => b.studentIds.length - a.studentIds.length || (a.text < b.text ? -1 : 1));
}

/** The answer given more often than the right one among the best 27 % by the other questions (Kelley 1939). */
function likelierThanKey(uses: readonly AnswerUse[], given: readonly GivenAnswer[]): AnswerUse | null {
  if (given.length < LEAST_TO_DOUBT) return null;
  const size = Math.round(EXTREME_SHARE * given.length);
  const best = new Set(
    [...given]
      .sort((a, b) => b.rest - a.rest)
      .slice(0, size)
      .map(({ studentId }) => studentId),
  );
  const among = (those: readonly AnswerUse[]) =>
    sumOf(those.map(({ studentIds }) => studentIds.filter((id) => best.has(id)).length));
  const right = among(uses.filter(({ isRight }) => isRight === true));
  const [first] = uses
    .filter(({ isRight, text }) => isRight !== true && text !== "")
    .sort((a, b) => among([b]) - among([a]));
  return first && among([first]) > right ? first : null;
}

const number = (points: Exact | null): number | null => (points ? toNumber(points) : null);
