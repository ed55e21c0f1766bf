import { compare, fromDecimal, type Exact, type StudentId } from "#core/kernel";
import {
  moderationOf,
  rubricOf,
  secondMarkOf,
  type Assignment,
  type CourseState,
  type SecondMark,
  type Settled,
} from "#core/model";
import { sumRubric } from "#core/scoring";
import type { Given } from "./given";

/** What a second marker gave a paper, in points; null while a criterion is open. */
export function secondPoints(state: CourseState, assignment: Assignment, mark: SecondMark | undefined): Exact | null {
  if (!mark) return null;
  // A figure given for the whole stands before the sum of its criteria, as one set by hand does.
  if (mark.score !== null) return fromDecimal(mark.score);
  const rubric = rubricOf(state, assignment);
  if (!rubric) return null;
  const given = new Map(mark.judgements.map((one) => [one.criterionId, one]));
  const open = { points: null, notApplicable: false };
  return sumRubric(rubric, assignment, ({ id }) => given.get(id) ?? open).score;
}

/** What was settled of a paper, as long as both judgements are still those over which it was. */
export function settledOf(
  state: CourseState,
  assignment: Assignment,
  studentId: StudentId,
  first: Exact | null,
): Settled | null {
  const settled = moderationOf(state, assignment.id)?.settled.find((one) => one.studentId === studentId);
  if (!settled || !first || compare(fromDecimal(settled.first), first) !== 0) return null;
  const second = secondPoints(state, assignment, secondMarkOf(state, assignment.id, studentId));
  return second && compare(fromDecimal(settled.second), second) === 0 ? settled : null;
}

/** What counts of a result: as it was given, or as it was settled between two judgements. */
export function withSettled(state: CourseState, assignment: Assignment, studentId: StudentId, given: Given): Given {
  const last = given.scores.at(-1);
  const settled = last && settledOf(state, assignment, studentId, last.raw);
  if (!last || !settled || settled.choice === "first") return given;
  return {
    ...given,
    scores: [...given.scores.slice(0, -1), { ...last, source: "settled", raw: fromDecimal(settled.points) }],
  };
}
