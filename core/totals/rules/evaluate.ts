import { divide, fromDecimal, HUNDRED, multiply, type CategoryId, type Exact } from "#core/kernel";
import type { Assignment, Term } from "#core/model";
import { categoryTotal, type CategoryTotal, type Item, type Outlook } from "./category-total";
import type { CoursePlan, PlanNode } from "./course-plan";
import { capped, overTerms, termTotal, type TermTotal } from "./course-total";
import type { Figure } from "./figure";

/** A category's total with those of the categories inside it. */
export interface NodeTotal {
  readonly node: PlanNode;
  readonly total: CategoryTotal;
  readonly children: readonly NodeTotal[];
}

/** The total of one term with what it rests on. */
export interface EvaluatedTerm {
  readonly term: Term | null;
  readonly nodes: readonly NodeTotal[];
  readonly total: TermTotal;
}

/** Every total of one student under one outlook. Percentages are exact and unrounded. */
export interface Evaluated {
  readonly outlook: Outlook;
  readonly terms: readonly EvaluatedTerm[];
  readonly exams: readonly NodeTotal[];
  /** The course total before the cap. */
  readonly uncapped: Exact | null;
  readonly percent: Exact | null;
}

/** What an assignment brings to the totals of one student. */
export type ItemSource = (assignment: Assignment) => Item;

/** An assignment as an item, from its figure. */
export function itemOf(assignment: Assignment, figure: Pick<Figure, "standing" | "counted" | "wordsOnly">): Item {
  const standing = !assignment.counts
    ? "notCounted"
    : figure.standing === "excused"
      ? "excused"
      : figure.wordsOnly && figure.counted === null
        ? "wordsOnly"
        : figure.standing === "missing"
          ? "missing"
          : figure.counted === null
            ? "open"
            : "counts";
  return {
    id: assignment.id,
    points: fromDecimal(assignment.points),
    value: standing === "excused" ? null : figure.counted,
    bonus: assignment.bonus,
    alwaysCounts: assignment.alwaysCounts,
    standing,
  };
}

/** The total of a category; one inside it counts as one item worth its points, or its weight where it has one. */
export function evaluateNode(node: PlanNode, source: ItemSource, outlook: Outlook): NodeTotal {
  const children = node.children.map((child) => evaluateNode(child, source, outlook));
  const items = [...node.assignments.map(source), ...children.map(asItem)];
  return { node, children, total: categoryTotal(node.category, items, outlook) };
}

function asItem({ node: { category }, total }: NodeTotal): Item {
  const points = category.weight === null ? total.possible : fromDecimal(category.weight);
  const value = total.percent && divide(multiply(total.percent, points), HUNDRED);
  return {
    id: category.id,
    points,
    value,
    bonus: category.bonus,
    alwaysCounts: false,
    // Open work inside has already come out as the outlook says, so an inner category without a figure is simply empty.
    standing: value === null ? "notCounted" : "counts",
  };
}

const asShare = ({ node: { category }, total }: NodeTotal) => ({ category, total });

/** All totals of one student (handbook, sections 4 and 5). */
export function evaluate(plan: CoursePlan, source: ItemSource, outlook: Outlook): Evaluated {
  const terms = plan.terms.map(({ term, roots }) => {
    const nodes = roots.map((node) => evaluateNode(node, source, outlook));
    return { term, nodes, total: termTotal(plan.course, nodes.map(asShare)) };
  });
  const exams = plan.exams.map((node) => evaluateNode(node, source, outlook));
  const uncapped = courseTotal(plan, terms, exams);
  return { outlook, terms, exams, uncapped, percent: capped(plan.course, uncapped) };
}

function courseTotal(
  plan: Pick<CoursePlan, "course" | "exams">,
  terms: readonly EvaluatedTerm[],
  exams: readonly NodeTotal[],
): Exact | null {
  const [only] = terms;
  if (only?.term === null) return only.total.percent;
  return overTerms([
    ...terms.flatMap(({ term, total }) => (term ? [{ id: term.id, weight: term.weight, percent: total.percent }] : [])),
    ...exams.flatMap(({ node: { category }, total }) =>
      category.termWeight === null ? [] : [{ id: category.id, weight: category.termWeight, percent: total.percent }],
    ),
  ]);
}

/**
 * Totals of the categories over the whole course, also of those inside others. `evaluated` is every total under the same
 * outlook where it is at hand: without terms its one stretch is the whole course, and nothing is worked out twice.
 */
export function categoryTotals(
  plan: CoursePlan,
  source: ItemSource,
  outlook: Outlook,
  evaluated?: Evaluated,
): ReadonlyMap<CategoryId, CategoryTotal> {
  const all = new Map<CategoryId, CategoryTotal>();
  const note = ({ node, total, children }: NodeTotal) => {
    all.set(node.category.id, total);
    children.forEach(note);
  };
  const [only] = evaluated?.outlook === outlook ? evaluated.terms : [];
  const roots = only?.term === null ? only.nodes : plan.roots.map((root) => evaluateNode(root, source, outlook));
  roots.forEach(note);
  return all;
}
