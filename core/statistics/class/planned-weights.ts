import { fromDecimal, toNumber, type AssignmentId, type Decimal } from "#core/kernel";
import type { CourseState } from "#core/model";
import { planOf, type PlanNode } from "#core/totals";
import { sumOf } from "../figures/describe";

const size = (figure: Decimal | null): number => (figure === null ? 0 : toNumber(fromDecimal(figure)));

/**
 * The share of the course total that the plan gives each assignment: 0 to 1, all together 1. As if everything had been
 * handed in and nothing dropped; work that counts nowhere, and bonus, has none.
 */
export function plannedWeights(state: CourseState): ReadonlyMap<AssignmentId, number> {
  const { course, terms, exams, roots } = planOf(state);
  const weights = new Map<AssignmentId, number>();
  const give = (node: PlanNode, share: number) => {
    const parts = partsOf(node);
    const pooled = node.category.method === "pooled";
    const whole = pooled ? sumOf(parts.map(({ points }) => points)) : parts.length;
    for (const { id, child, points } of parts) {
      const part = (share * (pooled ? points : 1)) / (whole || 1);
      if (child) give(child, part);
      else if (id) weights.set(id, (weights.get(id) ?? 0) + part);
    }
  };
  const giveAll = (nodes: readonly PlanNode[], share: number) => {
    const counted = nodes.filter((node) => !node.category.bonus && partsOf(node).length > 0);
    const own = (node: PlanNode) => (course.totals === "points" ? pointsOf(node) : size(node.category.weight));
    const whole = sumOf(counted.map(own));
    for (const node of counted) give(node, (share * own(node)) / (whole || 1));
  };
  const isWhole = terms.every(({ term }) => term === null);
  if (isWhole) {
    giveAll(roots, 1);
    return weights;
  }
  const begun = terms.filter((stretch) => stretch.roots.some((node) => partsOf(node).length > 0));
  const whole = sumOf([
    ...begun.map(({ term }) => size(term?.weight ?? null)),
    ...exams.map(({ category }) => size(category.termWeight)),
  ]);
  for (const { term, roots: own } of begun) giveAll(own, size(term?.weight ?? null) / (whole || 1));
  for (const exam of exams) give(exam, size(exam.category.termWeight) / (whole || 1));
  return weights;
}

interface PlannedPart {
  readonly id: AssignmentId | null;
  readonly child: PlanNode | null;
  readonly points: number;
}

/** What enters a category: its work and the categories in it that hold any. */
function partsOf({ assignments, children }: PlanNode): PlannedPart[] {
  const work = assignments
    .filter(({ counts, bonus, points }) => counts && !bonus && size(points) > 0)
    .map(({ id, points }): PlannedPart => ({ id, child: null, points: size(points) }));
  const inner = children
    .filter((child) => !child.category.bonus && partsOf(child).length > 0)
    .map((child): PlannedPart => ({ id: null, child, points: pointsOf(child) }));
  return [...work, ...inner];
}

const pointsOf = (node: PlanNode): number => sumOf(partsOf(node).map(({ points }) => points));
