import { compare, fromDecimal, isZero, toNumber } from "#core/kernel";
import {
  answerOf,
  copyOf,
  groupOf,
  handInOf,
  judgementOf,
  notesOf,
  questionsOf,
  releaseOf,
  resultOf,
  rubricOf,
  type Assignment,
  type CourseState,
} from "#core/model";
import { lackingEvidence } from "#core/scoring";
import { figuresOf } from "#core/totals";
import type { MarkedPaper, Scorings } from "../class/marked";
import { namedOther } from "./other-name";
import type { PaperOddity } from "./oddity";

/** A paper of several criteria judged faster than this was hardly read, in seconds. Common practice, no source. */
const HARDLY_READ = 10;
/** Channels whose work is read on the screen; work on paper is often judged before its points are typed. */
const READ_HERE: ReadonlySet<Assignment["channel"]> = new Set(["file", "text", "link"]);

/** What looks odd of one scored paper by itself. */
export function paperOddities(
  state: CourseState,
  assignment: Assignment,
  { studentId, points, figure }: MarkedPaper,
  scorings: Scorings,
): PaperOddity[] {
  const found: PaperOddity[] = [];
  const result = resultOf(state, assignment.id, studentId);
  const scoring = scorings.get(studentId);
  if (figure.aboveMaximum && !assignment.aboveAllowed) {
    found.push({ code: "above_maximum", studentId, points, maximum: toNumber(fromDecimal(assignment.points)) });
  }
  if (result.setByHand !== null && !scoring?.reason) found.push({ code: "by_hand_no_reason", studentId, points });
  const rubric = rubricOf(state, assignment);
  const notes = notesOf(state, assignment.id, studentId);
  const lacking = rubric
    ? lackingEvidence(rubric, ({ id }) => judgementOf(state, assignment.id, studentId, id), notes)
    : [];
  if (lacking.length > 0) {
    found.push({ code: "evidence_lacking", studentId, criterionIds: lacking.map(({ id }) => id) });
  }
  const named = wordsTo(state, assignment, studentId)
    .map((text) => namedOther(state, assignment, studentId, text))
    .find((one) => one !== null);
  if (named) found.push({ code: "other_name", studentId, ...named });
  if (READ_HERE.has(assignment.channel) && scoring?.seconds != null && scoring.seconds < HARDLY_READ) {
    found.push({ code: "judged_in_seconds", studentId, seconds: scoring.seconds });
  }
  const isOut = releaseOf(state, assignment.id, "score").state === "released";
  if (isOut && !copyOf(state, assignment.id, studentId).score && !result.held && !assignment.held) {
    found.push({ code: "scored_after_release", studentId, points });
  }
  const isTyped = figure.source === "typed" || figure.source === "setByHand";
  const isZeroScore = figure.counted !== null && isZero(figure.counted);
  if (isTyped && isZeroScore && !assignment.bonus && !handInOf(state, assignment.id, studentId)) {
    found.push({ code: "zero_maybe_missing", studentId });
  }
  const apart = apartFromGroup(state, assignment, studentId);
  if (apart) found.push({ code: "group_but_one", studentId, points, ...apart });
  return found;
}

/** All words of a paper that its student is to read. */
function wordsTo(state: CourseState, assignment: Assignment, studentId: MarkedPaper["studentId"]): string[] {
  const criteria = rubricOf(state, assignment)?.criteria ?? [];
  return [
    resultOf(state, assignment.id, studentId).overallComment,
    ...criteria.map(({ id }) => judgementOf(state, assignment.id, studentId, id).comment),
    ...notesOf(state, assignment.id, studentId).map(({ body }) => body),
    ...questionsOf(state, assignment.id).map(({ id }) => answerOf(state, assignment.id, studentId, id).comment),
  ].filter((text) => text.trim() !== "");
}

/** Where all others of a group of three and more have one score, and this member another without a part of their own. */
function apartFromGroup(state: CourseState, assignment: Assignment, studentId: MarkedPaper["studentId"]) {
  const group = groupOf(state, assignment.id, studentId);
  if (!group || group.memberIds.length < 3 || resultOf(state, assignment.id, studentId).adjustment !== null)
    return null;
  const { figure } = figuresOf(state);
  const own = figure(assignment.id, studentId).score;
  const others = group.memberIds
    .filter((id) => id !== studentId && state.students[id]?.left === false)
    .map((id) => figure(assignment.id, id).score);
  const [first] = others;
  if (!own || !first || others.length < 2 || compare(own, first) === 0) return null;
  const isShared = others.every((score) => score !== null && compare(score, first) === 0);
  return isShared ? { group: toNumber(first), name: group.name } : null;
}
