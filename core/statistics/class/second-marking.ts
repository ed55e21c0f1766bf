import { fromDecimal, toNumber, type Decimal, type MarkerId, type StudentId } from "#core/kernel";
import {
  judgementOf,
  moderationOf,
  rubricOf,
  secondMarkOf,
  type Assignment,
  type CourseState,
  type Criterion,
} from "#core/model";
import { moderatedPapers, type ModeratedPaper } from "#core/totals";
import {
  agreementShare,
  crossTable,
  kappa,
  limitsOfAgreement,
  QUADRATIC,
  type LimitsOfAgreement,
} from "../agreement/agreement-pair";
import { intraclassCorrelation } from "../agreement/intraclass";
import type { Statistic } from "../figures/computable";
import { levelOf } from "./criteria";

/** Two judgements of one paper, in points. */
export interface JudgedTwice {
  readonly studentId: StudentId;
  readonly first: number;
  readonly second: number;
}

/** How two markers agree on the levels of one criterion. */
export interface CriterionAgreement {
  readonly criterion: Criterion;
  /** Papers judged by both. */
  readonly count: number;
  readonly sameLevel: Statistic;
  readonly withinOne: Statistic;
  /** Cohen's kappa, weighted by the square of the levels between. */
  readonly kappa: Statistic;
}

/** How two markers agree on the papers of a sample. */
export interface Agreement {
  readonly papers: readonly ModeratedPaper[];
  readonly twice: readonly JudgedTwice[];
  /** Of those judged twice, how many lie within the agreed difference. */
  readonly within: number;
  /** Second less first: below 0 where the second marker is stricter. */
  readonly limits: Statistic<LimitsOfAgreement>;
  readonly intraclass: Statistic;
  /** Over all criteria together. */
  readonly levels: Statistic;
  readonly criteria: readonly CriterionAgreement[];
}

/** How far two judgements of the sample agree, those of its marker or of another; null where nothing is marked a second time. */
export function agreementOf(state: CourseState, assignment: Assignment, markerId?: MarkerId): Agreement | null {
  const moderation = moderationOf(state, assignment.id);
  if (!moderation) return null;
  const papers = moderatedPapers(state, assignment, markerId);
  const twice = papers.flatMap(({ studentId, first, second }): JudgedTwice[] =>
    first && second ? [{ studentId, first: toNumber(first), second: toNumber(second) }] : [],
  );
  const agreed = toNumber(fromDecimal(moderation.within));
  const criteria = rubricOf(state, assignment)?.criteria ?? [];
  const pairs = criteria.map((criterion) => levelPairs({ state, assignment, markerId }, criterion, papers));
  const most = Math.max(0, ...criteria.map(({ levels }) => levels.length));
  return {
    papers,
    twice,
    within: twice.filter(({ first, second }) => Math.abs(second - first) <= agreed + 1e-9).length,
    limits: limitsOfAgreement(
      twice.map(({ second }) => second),
      twice.map(({ first }) => first),
    ),
    intraclass: intraclassCorrelation(
      twice.map(({ first, second }) => [first, second]),
      "agreement",
    ),
    levels: kappa(crossTable(pairs.flat(), most), QUADRATIC),
    criteria: criteria.map((criterion, at): CriterionAgreement => {
      const table = crossTable(pairs[at] ?? [], criterion.levels.length);
      return {
        criterion,
        count: pairs[at]?.length ?? 0,
        sameLevel: agreementShare(table, 0),
        withinOne: agreementShare(table, 1),
        kappa: kappa(table, QUADRATIC),
      };
    }),
  };
}

interface Compared {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly markerId: MarkerId | undefined;
}

/** The levels both markers gave on one criterion, by their places from the lowest. */
function levelPairs(
  { state, assignment, markerId }: Compared,
  criterion: Criterion,
  papers: readonly ModeratedPaper[],
): (readonly [number, number])[] {
  const placeOf = (points: Decimal) => {
    const level = levelOf(criterion, toNumber(fromDecimal(points)));
    return level ? criterion.levels.indexOf(level) : -1;
  };
  return papers.flatMap(({ studentId }) => {
    const first = judgementOf(state, assignment.id, studentId, criterion.id);
    const second = secondMarkOf(state, assignment.id, studentId, markerId)?.judgements.find(
      (one) => one.criterionId === criterion.id,
    );
    if (first.points === null || second?.points == null || first.notApplicable || second.notApplicable) return [];
    const pair = [placeOf(first.points), placeOf(second.points)] as const;
    return pair.every((place) => place >= 0) ? [pair] : [];
  });
}
