import { add, divide, fromDecimal, HUNDRED, multiply, ZERO, type Exact, type LevelId } from "#core/kernel";
import {
  courseOf,
  groupOf,
  type Assignment,
  type Attempt,
  type CourseState,
  type HandIn,
  type ResultRecord,
} from "#core/model";
import { unitsLate, type RubricSum } from "#core/scoring";
import type { AnswersSum } from "./answers";

/** Where a score comes from, before any rule. */
export type GivenSource = "ruler" | "typed" | "group" | "level" | "attempt" | "answers" | "settled";

/** A score as it was given, in points. */
export interface GivenScore {
  readonly source: GivenSource;
  readonly raw: Exact;
  /** Units of lateness of the attempt that the score is for. */
  readonly unitsLate: number;
  /** The attempt's number where attempts are scored one by one. */
  readonly attempt: number | null;
  /** A member's own part of a group's score; 0 elsewhere. */
  readonly adjustment: Exact;
}

/** What was given of one result: its scores, or a level of a scale that has no point value. */
export interface Given {
  /** Several only where attempts are scored one by one, in the order of the attempts. */
  readonly scores: readonly GivenScore[];
  /** Judged in words only: there is nothing to count and nothing to wait for. */
  readonly wordsOnly: boolean;
}

/** Units of lateness of one attempt: as the instructor said, else as its time tells. */
function latenessOf(state: CourseState, assignment: Assignment, result: ResultRecord, attempt?: Attempt): number {
  if (result.unitsLate !== null) return result.unitsLate;
  const { lateRule, timeZone } = courseOf(state);
  const due = result.moreTime?.until ?? assignment.dueAt;
  return lateRule && attempt?.at && due ? unitsLate(lateRule, timeZone, due, attempt.at) : 0;
}

/** Lateness of the result as a whole: that of the first attempt where the first counts, else of the last. */
export function resultLateness(
  state: CourseState,
  assignment: Assignment,
  result: ResultRecord,
  handIn: HandIn | undefined,
): number {
  const attempt = assignment.countedAttempt === "first" ? handIn?.attempts[0] : handIn?.attempts.at(-1);
  return latenessOf(state, assignment, result, attempt);
}

/** Points of a figure typed for this assignment: percent entry is converted exactly. */
const inPoints = (assignment: Assignment, typed: Exact): Exact =>
  assignment.scoredIn.kind === "percent" ? divide(multiply(typed, fromDecimal(assignment.points)), HUNDRED) : typed;

/**
 * The scores given for one result, by what stands first: scored attempts, a typed score, a level of the scale, the
 * rubric, the answers, the group's score; in a group each with the member's own adjustment (handbook, section 2).
 */
export function givenOf(
  state: CourseState,
  assignment: Assignment,
  result: ResultRecord,
  handIn: HandIn | undefined,
  sums: { readonly rubric: RubricSum | null; readonly answers: AnswersSum | null },
): Given {
  const late = resultLateness(state, assignment, result, handIn);
  const one = (source: GivenSource, raw: Exact, adjustment = ZERO): Given => ({
    scores: [{ source, raw, unitsLate: late, attempt: null, adjustment }],
    wordsOnly: false,
  });
  if (result.attemptScores.length > 0) return { scores: attempts(state, assignment, result, handIn), wordsOnly: false };
  if (result.score !== null) return one("typed", inPoints(assignment, fromDecimal(result.score)));
  if (result.levelId !== null) {
    const percent = levelPercent(state, assignment, result.levelId);
    if (percent === null) return { scores: [], wordsOnly: true };
    return one("level", divide(multiply(percent, fromDecimal(assignment.points)), HUNDRED));
  }
  const group = groupOf(state, assignment.id, result.studentId);
  const own = group === undefined || result.adjustment === null ? ZERO : fromDecimal(result.adjustment);
  const { rubric, answers } = sums;
  if (rubric?.score) return one("ruler", add(rubric.score, own), own);
  if (answers?.score) return one("answers", add(answers.score, own), own);
  if (group?.score == null) return { scores: [], wordsOnly: false };
  return one("group", add(inPoints(assignment, fromDecimal(group.score)), own), own);
}

function attempts(
  state: CourseState,
  assignment: Assignment,
  result: ResultRecord,
  handIn: HandIn | undefined,
): GivenScore[] {
  return [...result.attemptScores]
    .sort((a, b) => a.attempt - b.attempt)
    .map(({ attempt, points }) => ({
      source: "attempt",
      raw: inPoints(assignment, fromDecimal(points)),
      unitsLate: latenessOf(
        state,
        assignment,
        result,
        handIn?.attempts.find(({ number }) => number === attempt),
      ),
      attempt,
      adjustment: ZERO,
    }));
}

/** A level's share of the points in percent; null when the scale gives it none, or knows it no more. */
function levelPercent(state: CourseState, assignment: Assignment, levelId: LevelId): Exact | null {
  if (assignment.scoredIn.kind !== "scale") return null;
  const level = state.scales[assignment.scoredIn.scaleId]?.levels.find(({ id }) => id === levelId);
  return level?.percent == null ? null : fromDecimal(level.percent);
}
