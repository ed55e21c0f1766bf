import {
  compare,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  subtract,
  ZERO,
  type AssignmentId,
  type Exact,
  type StudentId,
} from "#core/kernel";
import {
  courseOf,
  handInOf,
  judgementKey,
  judgementOf,
  resultKey,
  resultOf,
  rubricOf,
  type Assignment,
  type CourseState,
  type HandIn,
  type ResultRecord,
} from "#core/model";
import { afterDeduction, sumRubric, unitsLate, type RubricSum } from "#core/scoring";

export type Standing = "expected" | "handedIn" | "missing" | "excused";

/** All that is known of one student and one assignment, with the way from the score to its counted value. */
export interface Figure {
  readonly assignmentId: AssignmentId;
  readonly studentId: StudentId;
  readonly standing: Standing;
  /** Where the figure comes from; null while there is none. */
  readonly source: "ruler" | "typed" | "set by hand" | "rule" | null;
  readonly rubric: RubricSum | null;
  /** Points before the rules; null while there are none. */
  readonly score: Exact | null;
  readonly unitsLate: number;
  /** Points taken off by the late rule. */
  readonly deduction: Exact;
  /** What the rules alone would give; differs from `counted` when a figure is set by hand. */
  readonly computed: Exact | null;
  /** What enters the totals; null when nothing does yet. */
  readonly counted: Exact | null;
  /** Handed in and not scored. */
  readonly waiting: boolean;
  readonly aboveMaximum: boolean;
}

function standingOf(result: ResultRecord, handIn: HandIn | undefined, hasScore: boolean): Standing {
  if (result.decision) return result.decision;
  return handIn || hasScore ? "handedIn" : "expected";
}

/** Units of lateness: as the instructor said, else as the time of the last attempt tells. */
function latenessOf(
  state: CourseState,
  assignment: Assignment,
  result: ResultRecord,
  handIn: HandIn | undefined,
): number {
  if (result.unitsLate !== null) return result.unitsLate;
  const rule = courseOf(state).lateRule;
  const at = handIn?.attempts.at(-1)?.at;
  return rule && at && assignment.dueAt ? unitsLate(rule, assignment.dueAt, at) : 0;
}

interface Kept {
  readonly rests: readonly unknown[];
  readonly figure: Figure;
}
// A change touches few records; a figure is computed again only when one of the records it rests on is another one.
const keptFigures = new WeakMap<Assignment, Map<StudentId, Kept>>();

/** The figure of one student and one assignment, taken from before where nothing that it rests on has changed. */
export function figureOf(state: CourseState, assignment: Assignment, studentId: StudentId): Figure {
  const rubric = rubricOf(state, assignment);
  const key = resultKey(assignment.id, studentId);
  const rests: readonly unknown[] = [
    courseOf(state),
    rubric,
    state.results[key],
    state.handIns[key],
    ...(rubric?.criteria ?? []).map(({ id }) => state.judgements[judgementKey(assignment.id, studentId, id)]),
  ];
  const ofAssignment = keptFigures.get(assignment) ?? new Map<StudentId, Kept>();
  keptFigures.set(assignment, ofAssignment);
  const kept = ofAssignment.get(studentId);
  if (kept && kept.rests.length === rests.length && kept.rests.every((record, index) => record === rests[index])) {
    return kept.figure;
  }
  const figure = computeFigure(state, assignment, studentId);
  ofAssignment.set(studentId, { rests, figure });
  return figure;
}

/** Follows handbook section 2: excused, set by hand, missing, then the late rule on the score. */
function computeFigure(state: CourseState, assignment: Assignment, studentId: StudentId): Figure {
  const result = resultOf(state, assignment.id, studentId);
  const handIn = handInOf(state, assignment.id, studentId);
  const rubric = rubricOf(state, assignment);
  const rubricSum =
    rubric && sumRubric(rubric, assignment, (criterion) => judgementOf(state, assignment.id, studentId, criterion.id));
  const maximum = fromDecimal(assignment.points);
  const score = result.score === null ? (rubricSum?.score ?? null) : fromDecimal(result.score);
  const standing = standingOf(result, handIn, score !== null || result.setByHand !== null);
  const late = latenessOf(state, assignment, result, handIn);
  const rule = courseOf(state).lateRule;
  const base = {
    assignmentId: assignment.id,
    studentId,
    standing,
    rubric: rubricSum,
    score,
    unitsLate: late,
    deduction: ZERO,
    waiting: false,
    aboveMaximum: false,
  };
  if (standing === "excused") return { ...base, source: null, computed: null, counted: null };
  const byRule = standing === "missing" ? missingValue(state, maximum) : null;
  const afterLate = score !== null && rule ? afterDeduction(rule, score, maximum, late) : score;
  const computed = standing === "missing" ? byRule : afterLate;
  const taken = standing !== "missing" && score && computed ? subtract(score, computed) : ZERO;
  if (result.setByHand !== null) {
    const counted = fromDecimal(result.setByHand);
    return {
      ...base,
      source: "set by hand",
      deduction: taken,
      computed,
      counted,
      aboveMaximum: above(counted, assignment),
    };
  }
  const scoreSource = result.score === null ? "ruler" : "typed";
  return {
    ...base,
    source: computed === null ? null : standing === "missing" ? "rule" : scoreSource,
    deduction: taken,
    computed,
    counted: computed,
    waiting: standing === "handedIn" && computed === null,
    aboveMaximum: computed !== null && above(score ?? computed, assignment),
  };
}

function missingValue(state: CourseState, maximum: Exact): Exact | null {
  const percent = courseOf(state).missingPercent;
  return percent === null ? null : divide(multiply(fromDecimal(percent), maximum), HUNDRED);
}

const above = (value: Exact, assignment: Assignment): boolean =>
  !assignment.bonus && compare(value, fromDecimal(assignment.points)) > 0;
