import { add, divide, fromDecimal, keptBy, multiply, whole, ZERO, type Exact } from "#core/kernel";
import type { Assignment, Criterion, Judgement, Rubric } from "#core/model";
import { rulerEnds } from "./ruler";

/** Where a rubric stands on one paper. All figures in points. */
export interface RubricSum {
  /** Sum of the criteria judged so far. */
  readonly given: Exact;
  /** Maximum of the criteria judged so far. */
  readonly judgedMaximum: Exact;
  /** Maximum of the criteria still open. */
  readonly openMaximum: Exact;
  /** Criteria still open. */
  readonly open: number;
  /** The score on the assignment's scale, once no criterion is open and at least one applies. */
  readonly score: Exact | null;
}

/** One criterion that applies and is judged. */
interface Judged {
  readonly points: Exact;
  readonly maximum: Exact;
  /** Its weight; 1 where the rubric has none. */
  readonly weight: Exact;
}

/** Whether the rubric is a weighted mean of criterion percentages: at least one criterion carries a weight. */
export const isWeighted = (rubric: Pick<Rubric, "criteria">): boolean =>
  rubric.criteria.some(({ weight }) => weight !== null);

/** Maximum and weight of each criterion, exactly: read once for a rubric, and not again for every paper. */
const scalesOf = keptBy({
  owner: (rubric: Rubric) => rubric,
  make: (_, rubric) => {
    const unweighted = whole(isWeighted(rubric) ? 0 : 1);
    return rubric.criteria.map((criterion) => ({
      criterion,
      maximum: fromDecimal(rulerEnds(criterion).maximum),
      weight: criterion.weight === null ? unweighted : fromDecimal(criterion.weight),
    }));
  },
});

/** Adds the judgements of a paper and brings the sum to the assignment's points (handbook, section 3). */
export function sumRubric(
  rubric: Rubric,
  assignment: Pick<Assignment, "points">,
  judgement: (criterion: Criterion) => Pick<Judgement, "points" | "notApplicable">,
): RubricSum {
  const judged: Judged[] = [];
  let openMaximum = ZERO;
  let open = 0;
  for (const { criterion, maximum, weight } of scalesOf(rubric)) {
    const { points, notApplicable } = judgement(criterion);
    if (notApplicable) continue;
    if (points === null) {
      open += 1;
      openMaximum = add(openMaximum, maximum);
    } else judged.push({ points: fromDecimal(points), maximum, weight });
  }
  const given = judged.reduce((total, { points }) => add(total, points), ZERO);
  const judgedMaximum = judged.reduce((total, { maximum }) => add(total, maximum), ZERO);
  const complete = open === 0 && rubric.purpose === "score";
  const score = complete ? rubricScore(rubric, judged, given, judgedMaximum, fromDecimal(assignment.points)) : null;
  return { given, judgedMaximum, openMaximum, open, score };
}

function rubricScore(
  rubric: Rubric,
  judged: readonly Judged[],
  given: Exact,
  judgedMaximum: Exact,
  points: Exact,
): Exact | null {
  if (isWeighted(rubric)) {
    const counting = judged.filter(({ maximum, weight }) => maximum.n > 0n && weight.n > 0n);
    const weights = counting.reduce((total, { weight }) => add(total, weight), ZERO);
    const parts = counting.reduce(
      (total, item) => add(total, multiply(item.weight, divide(item.points, item.maximum))),
      ZERO,
    );
    return weights.n > 0n ? multiply(divide(parts, weights), points) : null;
  }
  if (judgedMaximum.n <= 0n) return null;
  return rubric.scaled ? multiply(divide(given, judgedMaximum), points) : given;
}
