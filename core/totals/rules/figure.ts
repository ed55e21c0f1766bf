import {
  add,
  compare,
  divide,
  fromDecimal,
  HUNDRED,
  keptBy,
  multiply,
  required,
  subtract,
  whole,
  ZERO,
  type AssignmentId,
  type Basis,
  type Exact,
  type StudentId,
} from "#core/kernel";
import {
  cutAt,
  courseOf,
  groupOf,
  handInOf,
  judgementKey,
  judgementOf,
  moderationOf,
  outcomeRubricOf,
  questionsOf,
  resultKey,
  resultOf,
  rubricOf,
  secondMarkOf,
  type Assignment,
  type CourseState,
  type HandIn,
  type ResultRecord,
  type Rubric,
} from "#core/model";
import { afterDeduction, scaledScore, sumRubric, type RubricSum } from "#core/scoring";
import { answersSum } from "./answers";
import { countingRules } from "./counting-rules";
import { givenOf, resultLateness, type GivenScore, type GivenSource } from "./given";
import { withSettled } from "./settled";

/** Where a student stands with an assignment. */
export type Standing = "expected" | "handedIn" | "missing" | "excused";

/** A given score on its way to a value: scaled, then what the late rule leaves. All in points. */
export interface GivenStep extends GivenScore {
  readonly scaled: Exact;
  readonly value: Exact;
}

/** All that is known of one student and one assignment, with the way from the score to its counted value. */
export interface Figure {
  readonly assignmentId: AssignmentId;
  readonly studentId: StudentId;
  readonly standing: Standing;
  /** Where the figure comes from; null while there is none. */
  readonly source: GivenSource | "setByHand" | "rule" | null;
  readonly rubric: RubricSum | null;
  /** The score as the first marker gave it, before anything was settled between two, and before lateness and scaling. */
  readonly first: Exact | null;
  /** Every given score, in the order of the attempts. */
  readonly steps: readonly GivenStep[];
  /** Points before the late rule, after scaling; null while there are none. */
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
  /** Judged in words that have no point value. */
  readonly wordsOnly: boolean;
  readonly aboveMaximum: boolean;
}

/** Every record that the figure of one student and one assignment rests on. */
function restsOn(state: CourseState, assignment: Assignment, studentId: StudentId): Basis {
  const rubric = rubricOf(state, assignment);
  const key = resultKey(assignment.id, studentId);
  const judgements = cutAt(state, "judgements", assignment.id);
  const questions = questionsOf(state, assignment.id);
  const answers = cutAt(state, "answers", assignment.id);
  const outcomes = outcomeRubricOf(state, assignment);
  const judgedBy = (by: Rubric | null) =>
    by?.criteria.map(({ id }) => judgements?.[judgementKey(assignment.id, studentId, id)]) ?? NONE;
  return {
    rules: countingRules(state),
    rubric,
    result: cutAt(state, "results", assignment.id)?.[key],
    handIn: handInOf(state, assignment.id, studentId),
    scale: assignment.scoredIn.kind === "scale" ? state.scales[assignment.scoredIn.scaleId] : null,
    group: groupOf(state, assignment.id, studentId),
    judged: judgedBy(rubric),
    // Nothing of a figure comes from outcomes; what is drawn of them stands beside it and is looked at again with it.
    outcomes,
    attained: judgedBy(outcomes),
    moderation: moderationOf(state, assignment.id),
    second: secondMarkOf(state, assignment.id, studentId),
    questions,
    answers: questions.length === 0 ? NONE : questions.map(({ id }) => answers?.[`${key}/${id}`]),
  };
}

const NONE: readonly unknown[] = [];

/**
 * The figure of one student and one assignment, taken from before where nothing that it rests on has changed: a change
 * touches few records. The figure of a rule that is tried stands beside the one in force.
 */
export const figureOf = keptBy({
  owner: (_state: CourseState, assignment: Assignment, _studentId: StudentId) => assignment,
  part: (_state, _assignment, studentId) => studentId,
  basis: restsOn,
  most: 2,
  make: (_, ...given): Figure => computeFigure(...given),
});

function standingOf(result: ResultRecord, handIn: HandIn | undefined, hasScore: boolean): Standing {
  if (result.decision) return result.decision;
  return handIn || hasScore ? "handedIn" : "expected";
}

/** Follows handbook section 2: excused, set by hand, missing, then scaling and the late rule on the score. */
function computeFigure(state: CourseState, assignment: Assignment, studentId: StudentId): Figure {
  const result = resultOf(state, assignment.id, studentId);
  const handIn = handInOf(state, assignment.id, studentId);
  const rubric = rubricOf(state, assignment);
  const rubricSum =
    rubric && sumRubric(rubric, assignment, (criterion) => judgementOf(state, assignment.id, studentId, criterion.id));
  const maximum = fromDecimal(assignment.points);
  const asGiven = givenOf(state, assignment, result, handIn, {
    rubric: rubricSum,
    answers: handIn ? answersSum(state, assignment, studentId) : null,
  });
  const given = withSettled(state, assignment, studentId, asGiven);
  const steps = given.scores.map((score) => stepOf(state, assignment, score));
  const chosen = chooseStep(assignment, steps);
  const score = chosen?.scaled ?? null;
  const standing = standingOf(result, handIn, score !== null || given.wordsOnly || result.setByHand !== null);
  const base: Figure = {
    assignmentId: assignment.id,
    studentId,
    standing,
    rubric: rubricSum,
    first: asGiven.scores.at(-1)?.raw ?? null,
    steps,
    score,
    unitsLate: chosen?.unitsLate ?? resultLateness(state, assignment, result, handIn),
    deduction: ZERO,
    source: null,
    computed: null,
    counted: null,
    waiting: false,
    wordsOnly: given.wordsOnly,
    aboveMaximum: false,
  };
  if (standing === "excused") return base;
  const computed = standing === "missing" ? missingValue(state, maximum) : (chosen?.value ?? null);
  const taken = standing !== "missing" && score && computed ? subtract(score, computed) : ZERO;
  if (result.setByHand !== null) {
    const counted = fromDecimal(result.setByHand);
    const aboveMaximum = above(counted, assignment);
    return { ...base, source: "setByHand", deduction: taken, computed, counted, aboveMaximum };
  }
  return {
    ...base,
    source: computed === null ? null : standing === "missing" ? "rule" : (chosen?.source ?? null),
    deduction: taken,
    computed,
    counted: computed,
    waiting: standing === "handedIn" && computed === null && !given.wordsOnly,
    aboveMaximum: computed !== null && above(score ?? computed, assignment),
  };
}

function stepOf(state: CourseState, assignment: Assignment, given: GivenScore): GivenStep {
  const rule = courseOf(state).lateRule;
  const maximum = fromDecimal(assignment.points);
  const scaled = assignment.scaling ? scaledScore(assignment.scaling, given.raw, maximum) : given.raw;
  return { ...given, scaled, value: rule ? afterDeduction(rule, scaled, maximum, given.unitsLate) : scaled };
}

/** The step that counts: last (default), first, best by value, or the mean of all. */
function chooseStep(assignment: Assignment, steps: readonly GivenStep[]): GivenStep | null {
  const last = steps.at(-1);
  if (!last || steps.length === 1) return last ?? null;
  switch (assignment.countedAttempt) {
    case "last":
      return last;
    case "first":
      return required(steps[0], "first attempt");
    case "best":
      return steps.reduce((best, step) => (compare(step.value, best.value) > 0 ? step : best));
    case "mean": {
      const mean = (of: (step: GivenStep) => Exact) => divide(steps.map(of).reduce(add), whole(steps.length));
      return {
        ...last,
        attempt: null,
        raw: mean(({ raw }) => raw),
        scaled: mean(({ scaled }) => scaled),
        value: mean(({ value }) => value),
      };
    }
  }
}

function missingValue(state: CourseState, maximum: Exact): Exact | null {
  const percent = courseOf(state).missingPercent;
  return percent === null ? null : divide(multiply(fromDecimal(percent), maximum), HUNDRED);
}

const above = (value: Exact, assignment: Assignment): boolean =>
  !assignment.bonus && compare(value, fromDecimal(assignment.points)) > 0;
