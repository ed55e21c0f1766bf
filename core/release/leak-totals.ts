import { divide, fractionText, HUNDRED, multiply, type Exact, type Interval, type StudentId } from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import {
  capped,
  categoryTotal,
  evaluate,
  evaluateNode,
  overTerms,
  planOf,
  termTotal,
  type CategoryTotal,
  type Item,
  type ItemSource,
  type NodeTotal,
  type PlanNode,
} from "#core/totals";
import type { Source, Total } from "./narrowing";
import { shownSource, shownTotals } from "./shown-totals";

/** How a student's results take part: known to them, or hidden under an id. */
export type Leaf = (assignment: Assignment, item: Item) => Source;

/** Puts figures in the place of a list of assignments' own. */
function withValues(
  source: ItemSource,
  assignments: readonly Assignment[],
  values: readonly (Exact | null)[],
): ItemSource {
  const places = new Map(assignments.map(({ id }, index) => [id, index]));
  return (assignment) => {
    const item = source(assignment);
    const place = places.get(assignment.id);
    return place === undefined || item.value === null ? item : { ...item, value: values[place] ?? item.value };
  };
}

const assignmentsBelow = (node: PlanNode): Assignment[] => [
  ...node.assignments,
  ...node.children.flatMap(assignmentsBelow),
];

/** Whether the points of a category stay the same whatever its scores are: nothing is dropped from unequal points. */
function isRigid({ node: { category }, total, children }: NodeTotal): boolean {
  if (!children.every(isRigid)) return false;
  if (category.keep.kind === "all") return true;
  const dropped = total.leftOut.filter(({ why }) => why === "dropped");
  const points = [...total.kept, ...dropped].map(({ item }) => fractionText(item.points));
  return new Set(points).size <= 1;
}

/** A category's total with another percentage, as it enters what lies above. */
const withPercent = (total: CategoryTotal, percent: Exact | null | undefined): CategoryTotal =>
  percent ? { ...total, percent, earned: divide(multiply(percent, total.possible), HUNDRED) } : total;

interface Builder {
  readonly state: CourseState;
  readonly source: ItemSource;
  readonly leaf: Leaf;
  readonly shownAt: (id: string) => Interval | null;
  /** Totals already standing in a tree. */
  readonly placed: Set<string>;
}

/**
 * The totals shown to a student as trees over their known and hidden values. Where a total cannot stand in the tree of
 * the total above it (its points move with the scores, or it runs across terms), it makes a tree of its own.
 */
export function leakTotals(state: CourseState, studentId: StudentId, leaf: Leaf): Total[] {
  const plan = planOf(state);
  const source = shownSource(state, studentId);
  const shown = new Map(shownTotals(state, studentId).map(({ id, interval }) => [id, interval]));
  const builder: Builder = { state, source, leaf, shownAt: (id) => shown.get(id) ?? null, placed: new Set() };
  const trees: Total[] = [];
  if (shown.size === 0) return trees;
  const evaluated = evaluate(plan, source, "now");
  const course = courseTree(builder, evaluated);
  trees.push(course);
  for (const root of plan.roots.map((node) => evaluateNode(node, source, "now"))) {
    for (const node of withDescendants(root)) {
      const { id } = node.node.category;
      if (shown.has(id) && !builder.placed.has(id)) trees.push(categoryTree(builder, node, true));
    }
  }
  return trees;
}

const withDescendants = (node: NodeTotal): NodeTotal[] => [node, ...node.children.flatMap(withDescendants)];

function courseTree(builder: Builder, evaluated: ReturnType<typeof evaluate>): Total {
  const { state, source } = builder;
  const plan = planOf(state);
  const nodes = [...evaluated.terms.flatMap(({ nodes: inTerm }) => inTerm), ...evaluated.exams];
  const [only] = evaluated.terms;
  const whole = only?.term === null;
  if (plan.course.totals === "points" && !nodes.every(isRigid)) {
    const assignments = nodes.flatMap(({ node }) => assignmentsBelow(node));
    return {
      kind: "total",
      id: "course",
      parts: assignments.map((assignment) => builder.leaf(assignment, source(assignment))),
      combine: (values) => evaluate(plan, withValues(source, assignments, values), "now").percent,
      shown: builder.shownAt("course"),
    };
  }
  const termTrees = evaluated.terms.map(({ term, nodes: inTerm }): Total => ({
    kind: "total",
    id: term?.id ?? "course",
    parts: inTerm.map((node) => categoryTree(builder, node, whole)),
    combine: (values) => {
      const shares = inTerm.map(({ node, total }, place) => ({
        category: node.category,
        total: withPercent(total, values[place]),
      }));
      const percent = termTotal(plan.course, shares).percent;
      return whole ? capped(plan.course, percent) : percent;
    },
    shown: builder.shownAt(term?.id ?? "course"),
  }));
  const [alone] = termTrees;
  if (whole && alone) return alone;
  const weights = [
    ...evaluated.terms.flatMap(({ term }) => (term ? [term] : [])),
    ...evaluated.exams.map(({ node: { category } }) => ({ id: category.id, weight: category.termWeight })),
  ];
  return {
    kind: "total",
    id: "course",
    parts: [...termTrees, ...evaluated.exams.map((node) => categoryTree(builder, node, true))],
    combine: (values) =>
      capped(
        plan.course,
        overTerms(
          weights.flatMap(({ id, weight }, place) =>
            weight === null ? [] : [{ id, weight, percent: values[place] ?? null }],
          ),
        ),
      ),
    shown: builder.shownAt("course"),
  };
}

/** A category over its items. `complete`: over all its work, so that its own total may be shown here. */
function categoryTree(builder: Builder, { node, total, children }: NodeTotal, complete: boolean): Total {
  const { source } = builder;
  const { category } = node;
  if (complete) builder.placed.add(category.id);
  const head = { kind: "total", id: category.id, shown: complete ? builder.shownAt(category.id) : null } as const;
  const leaves = (assignments: readonly Assignment[]) =>
    assignments.map((assignment) => builder.leaf(assignment, source(assignment)));
  if (children.some((child) => child.node.category.weight === null && !isRigid(child))) {
    const assignments = assignmentsBelow(node);
    return {
      ...head,
      parts: leaves(assignments),
      combine: (values) => evaluateNode(node, withValues(source, assignments, values), "now").total.percent,
    };
  }
  // The items as they entered, in their order; a category inside brings its percentage of fixed points.
  const entered = new Map([...total.kept, ...total.bonus, ...total.leftOut].map(({ item }) => [item.id, item]));
  const inner = children.flatMap(({ node: child }) => entered.get(child.category.id) ?? []);
  return {
    ...head,
    parts: [...leaves(node.assignments), ...children.map((child) => categoryTree(builder, child, complete))],
    combine: (values) => {
      const own = withValues(source, node.assignments, values);
      const items = [
        ...node.assignments.map(own),
        ...inner.map((item, place) => {
          const percent = values[node.assignments.length + place];
          return percent && item.value ? { ...item, value: divide(multiply(percent, item.points), HUNDRED) } : item;
        }),
      ];
      return categoryTotal(category, items, "now").percent;
    },
  };
}
