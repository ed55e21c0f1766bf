import {
  compare,
  fromDecimal,
  isZero,
  pointsText,
  required,
  subtract,
  sum,
  whole,
  ZERO,
  type Exact,
  type StudentId,
} from "#core/kernel";
import {
  answerOf,
  courseOf,
  judgementOf,
  questionsOf,
  resultOf,
  rubricOf,
  type Assignment,
  type CourseState,
  type Criterion,
  type Rubric,
} from "#core/model";
import { isWeighted, rulerEnds } from "#core/scoring";
import type { Account, AccountPart, AppliedRule, Provenance } from "./account";
import { answerPoints } from "../rules/answers";
import { figureOf, type Figure, type GivenStep } from "../rules/figure";

/** Tells who entered the figure of a result, and when; null where it is not known. */
export type Provenances = (assignment: Assignment, studentId: StudentId) => Provenance | null;

const ONE = whole(1);
const alone = (account: Account): readonly AccountPart[] => [{ account, size: ONE, weight: null, bonus: false }];

type Draft = Pick<Account, "kind" | "id" | "exact" | "rule"> & Partial<Pick<Account, "parts" | "leftOut">>;

/** An account of points. */
const inPoints = (draft: Draft): Account => ({
  parts: [],
  leftOut: [],
  unit: "points",
  shown: draft.exact && pointsText(draft.exact),
  ...draft,
});

/** How the counted value of one student and one assignment came about, down to what was entered. */
export function explainResult(
  state: CourseState,
  assignment: Assignment,
  studentId: StudentId,
  provenances: Provenances = () => null,
): Account {
  const figure = figureOf(state, assignment, studentId);
  const by = provenances(assignment, studentId);
  const computed = explainComputed(state, assignment, figure, by);
  if (figure.source !== "setByHand") return computed;
  const id = assignment.id;
  const entered = inPoints({
    kind: "score",
    id,
    exact: figure.counted,
    rule: { name: "entered", source: "setByHand", by },
  });
  return inPoints({
    kind: "result",
    id,
    exact: figure.counted,
    rule: { name: "setByHand" },
    parts: alone(entered),
    leftOut: [{ account: computed, why: "replaced" }],
  });
}

function explainComputed(state: CourseState, assignment: Assignment, figure: Figure, by: Provenance | null): Account {
  const result = (rule: AppliedRule, exact: Exact | null, more: Partial<Draft> = {}) =>
    inPoints({ kind: "result", id: assignment.id, exact, rule, ...more });
  const steps = figure.steps.map((step) => explainStep(state, assignment, figure, step, by));
  if (figure.standing === "excused") {
    return result({ name: "excused" }, null, {
      leftOut: steps.map((account) => ({ account, why: "excused" as const })),
    });
  }
  if (figure.standing === "missing") {
    const percent = courseOf(state).missingPercent;
    return result({ name: "missing", percent, maximum: fromDecimal(assignment.points) }, figure.computed);
  }
  const [first, ...others] = steps;
  if (!first) return result({ name: "open", outlook: "now" }, null);
  if (others.length === 0) return first;
  const which = assignment.countedAttempt;
  const counting = countingAttempts(which, figure.steps);
  return result({ name: "attempts", which }, figure.computed, {
    parts: steps.filter((_, index) => counting.has(index)).flatMap(alone),
    leftOut: steps
      .filter((_, index) => !counting.has(index))
      .map((account) => ({ account, why: "otherAttempt" as const })),
  });
}

/** The places of the attempts that count; of equally good ones the earliest. */
function countingAttempts(which: Assignment["countedAttempt"], steps: readonly GivenStep[]): ReadonlySet<number> {
  if (which === "mean") return new Set(steps.keys());
  if (which === "first") return new Set([0]);
  if (which === "last") return new Set([steps.length - 1]);
  let best = 0;
  steps.forEach(({ value }, index) => {
    if (compare(value, required(steps[best], "attempt").value) > 0) best = index;
  });
  return new Set([best]);
}

/** One given score on its way: entered, scaled, late. */
function explainStep(
  state: CourseState,
  assignment: Assignment,
  figure: Figure,
  step: GivenStep,
  by: Provenance | null,
): Account {
  const maximum = fromDecimal(assignment.points);
  const over = (account: Account, exact: Exact, rule: AppliedRule): Account =>
    inPoints({ kind: "result", id: assignment.id, exact, rule, parts: alone(account) });
  let account = explainGiven(state, assignment, figure, step, by);
  if (assignment.scaling) {
    account = over(account, step.scaled, { name: "scaled", scaling: assignment.scaling, maximum });
  }
  const rule = courseOf(state).lateRule;
  if (rule && step.unitsLate > 0) {
    const { unitsLate, moreTime } = resultOf(state, assignment.id, figure.studentId);
    const until = unitsLate === null ? (moreTime?.until ?? null) : null;
    account = over(account, step.value, { name: "late", rule, units: step.unitsLate, until, maximum });
  }
  return account;
}

function explainGiven(
  state: CourseState,
  assignment: Assignment,
  figure: Figure,
  step: GivenStep,
  by: Provenance | null,
): Account {
  const { id } = assignment;
  const rubric = rubricOf(state, assignment);
  const given = (): Account => {
    if (step.source === "ruler" && rubric) return explainRubric(state, assignment, rubric, figure);
    if (step.source === "answers") return explainAnswers(state, assignment, figure);
    const entered: AppliedRule = { name: "entered", source: step.source, by };
    return inPoints({ kind: "score", id, exact: subtract(step.raw, step.adjustment), rule: entered });
  };
  if (step.source !== "group" && isZero(step.adjustment)) return given();
  const rule: AppliedRule = { name: "group", adjustment: step.adjustment };
  return inPoints({ kind: "score", id, exact: step.raw, rule, parts: alone(given()) });
}

function explainAnswers(state: CourseState, assignment: Assignment, figure: Figure): Account {
  const questions = questionsOf(state, assignment.id);
  const parts = questions.flatMap((question): AccountPart[] => {
    const answer = answerOf(state, assignment.id, figure.studentId, question.id);
    const exact = answerPoints(state, question, answer);
    if (!exact) return [];
    const source = answer.points === null ? "key" : "judged";
    const rule: AppliedRule = { name: "entered", source, by: null };
    const account = inPoints({ kind: "question", id: question.id, exact, rule });
    return [{ account, size: fromDecimal(question.points), weight: null, bonus: false }];
  });
  const exact = sum(parts.map(({ account }) => account.exact ?? ZERO));
  return inPoints({ kind: "score", id: assignment.id, exact, rule: { name: "answers" }, parts });
}

function explainRubric(state: CourseState, assignment: Assignment, rubric: Rubric, figure: Figure): Account {
  const { id, points } = assignment;
  const weighted = isWeighted(rubric);
  const judged = rubric.criteria.map((criterion) => explainCriterion(state, assignment, criterion, figure.studentId));
  return inPoints({
    kind: "score",
    id,
    exact: figure.rubric?.score ?? null,
    rule: { name: "rubric", weighted, scaledTo: rubric.scaled || weighted ? fromDecimal(points) : null },
    parts: judged.flatMap(({ account, criterion, applies }) => {
      const size = fromDecimal(rulerEnds(criterion).maximum);
      const weight = criterion.weight === null ? (weighted ? ZERO : null) : fromDecimal(criterion.weight);
      return applies && account.exact ? [{ account, size, weight, bonus: false }] : [];
    }),
    leftOut: judged.flatMap(({ account, applies }) => (applies ? [] : [{ account, why: "notApplicable" as const }])),
  });
}

function explainCriterion(state: CourseState, assignment: Assignment, criterion: Criterion, studentId: StudentId) {
  const { points, notApplicable } = judgementOf(state, assignment.id, studentId, criterion.id);
  const account = inPoints({
    kind: "criterion",
    id: criterion.id,
    exact: points === null ? null : fromDecimal(points),
    rule: { name: "entered", source: "judged", by: null },
  });
  return { account, criterion, applies: !notApplicable };
}
