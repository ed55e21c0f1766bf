import {
  divide,
  fractionText,
  HUNDRED,
  keptBy,
  multiply,
  type Exact,
  type Interval,
  type StudentId,
} from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import {
  capped,
  categoryTotal,
  evaluateNode,
  overTerms,
  planOf,
  termTotal,
  type CategoryTotal,
  type Evaluated,
  type Item,
  type ItemSource,
  type NodeTotal,
} from "#core/totals";
import type { Source, Total } from "./narrowing";
import { shownTo } from "../shown-totals";

/** How a student's results take part: known to them, or hidden under an id. */
export type Leaf = (assignment: Assignment, item: Item) => Source;

/** An item with another value in the place of its own; one that has none does not take part. */
const withValue = (item: Item, value: Exact | null | undefined): Item =>
  item.value === null || !value ? item : { ...item, value };

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

let plans = 0;
/** A word for a plan, which says all about items and categories but how a student stands: another one for each. */
const wordFor = keptBy({ owner: (plan: object) => plan, make: () => `plan ${String((plans += 1))}` });

/** How a category enters what lies above it, beside its percentage. */
const shareForm = ({ percent, earned, possible }: CategoryTotal): string =>
  `${fractionText(possible)} ${percent ? "" : fractionText(earned)}`;

interface Builder {
  readonly state: CourseState;
  readonly source: ItemSource;
  readonly leaf: Leaf;
  readonly shownAt: (id: string) => Interval | null;
  /** Totals already standing in a tree. */
  readonly placed: Set<string>;
}

/**
 * Whether a category's percentage never falls and never leaps when a score rises. It may where something is dropped
 * from unequal points inside a category that counts by its points: then another set dropped changes what those weigh.
 */
const isSteady = ({ children }: NodeTotal): boolean =>
  children.every((child) => isSteady(child) && (child.node.category.weight !== null || isRigid(child)));

/** The totals to check as trees, and the shown ones that this check cannot speak about. */
export interface LeakTotals {
  readonly trees: readonly Total[];
  readonly unchecked: readonly string[];
}

/**
 * The totals shown to a student as trees over their known and hidden values. Where a total cannot stand in the tree of
 * the total above it (it runs across terms), it makes a tree of its own. `totals` leaves all others out; what
 * is shown and what it rests on are handed in where they have been worked out already.
 */
export function leakTotals(
  state: CourseState,
  studentId: StudentId,
  leaf: Leaf,
  totals: ReadonlySet<string> | null = null,
  { source, evaluated, totals: all } = shownTo(state, studentId),
): LeakTotals {
  const plan = planOf(state);
  const shown = new Map(all.filter(({ id }) => totals?.has(id) ?? true).map(({ id, interval }) => [id, interval]));
  const builder: Builder = { state, source, leaf, shownAt: (id) => shown.get(id) ?? null, placed: new Set() };
  if (shown.size === 0) return { trees: [], unchecked: [] };
  const trees: Total[] = [];
  const unchecked: string[] = [];
  const nodes = [...evaluated.terms.flatMap(({ nodes: inTerm }) => inTerm), ...evaluated.exams];
  const steady = nodes.every(isSteady) && (plan.course.totals === "weighted" || nodes.every(isRigid));
  if (steady) trees.push(courseTree(builder, evaluated));
  else unchecked.push(...["course", ...plan.terms.flatMap(({ term }) => term?.id ?? [])].filter((id) => shown.has(id)));
  const standsAlone = (id: string) => state.categories[id] !== undefined && !builder.placed.has(id);
  if (![...shown.keys()].some(standsAlone)) return { trees, unchecked };
  for (const root of plan.roots.map((node) => evaluateNode(node, source, "now"))) {
    for (const node of withDescendants(root)) {
      const { id } = node.node.category;
      if (!shown.has(id) || builder.placed.has(id)) continue;
      if (isSteady(node)) trees.push(categoryTree(builder, node, true));
      else unchecked.push(id);
    }
  }
  return { trees, unchecked };
}

const withDescendants = (node: NodeTotal): NodeTotal[] => [node, ...node.children.flatMap(withDescendants)];

function courseTree(builder: Builder, evaluated: Evaluated): Total {
  const plan = planOf(builder.state);
  const [only] = evaluated.terms;
  const whole = only?.term === null;
  const word = wordFor(plan);
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
    form: [word, ...inTerm.map(({ total }) => shareForm(total))].join(","),
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
    form: word,
    shown: builder.shownAt("course"),
  };
}

/** A category over its items. `complete`: over all its work, so that its own total may be shown here. */
function categoryTree(builder: Builder, { node, total, children }: NodeTotal, complete: boolean): Total {
  const { source } = builder;
  const { category } = node;
  if (complete) builder.placed.add(category.id);
  const head = { kind: "total", id: category.id, shown: complete ? builder.shownAt(category.id) : null } as const;
  const own = node.assignments.map(source);
  // The items as they entered, in their order; a category inside brings its percentage of fixed points.
  const entered = new Map([...total.kept, ...total.bonus, ...total.leftOut].map(({ item }) => [item.id, item]));
  const inner = children.flatMap(({ node: child }) => entered.get(child.category.id) ?? []);
  return {
    ...head,
    parts: [
      ...node.assignments.map((assignment) => builder.leaf(assignment, source(assignment))),
      ...children.map((child) => categoryTree(builder, child, complete)),
    ],
    form: [wordFor(planOf(builder.state)), ...[...own, ...inner].map(({ standing }) => standing)].join(","),
    combine: (values) => {
      const items = [
        ...own.map((item, place) => withValue(item, values[place])),
        ...inner.map((item, place) => {
          const percent = values[own.length + place];
          return withValue(item, percent && divide(multiply(percent, item.points), HUNDRED));
        }),
      ];
      return categoryTotal(category, items, "now").percent;
    },
  };
}
