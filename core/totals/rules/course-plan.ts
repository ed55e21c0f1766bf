import {
  compare,
  fromDecimal,
  HUNDRED,
  keptBy,
  milliseconds,
  sum,
  type Exact,
  type CategoryId,
  type TermId,
} from "#core/kernel";
import {
  assignmentsOf,
  categoriesOf,
  courseOf,
  termsOf,
  type Assignment,
  type Category,
  type CourseState,
  type Term,
} from "#core/model";
import { countingRules, type CountingRules } from "./counting-rules";
import { letterOutOfOrder } from "./letters";

/** A category with what is in it. Assignments come in order of their due dates, undated ones last. */
export interface PlanNode {
  readonly category: Category;
  readonly assignments: readonly Assignment[];
  readonly children: readonly PlanNode[];
}

/** A stretch of the course that has a total of its own. */
export interface PlanTerm {
  /** Null for the one stretch of a course without terms. */
  readonly term: Term | null;
  readonly roots: readonly PlanNode[];
}

/** A course as its totals see it. */
export interface CoursePlan {
  readonly course: CountingRules;
  /** All categories over the whole course. */
  readonly roots: readonly PlanNode[];
  readonly terms: readonly PlanTerm[];
  /** Categories that stand as a term of their own; only where there are terms. */
  readonly exams: readonly (PlanNode & { readonly category: { readonly termWeight: string } })[];
  /** Work that no term takes in, because it is undated or outside every term: a fault to be mended. */
  readonly inNoTerm: readonly Assignment[];
}

/** The plan of a state, made once for the tables it rests on; a rule that is tried leaves the plan in force standing. */
export const planOf = keptBy({
  owner: ({ assignments }: CourseState) => assignments,
  basis: (state) => ({ rules: countingRules(state), terms: state.terms, categories: state.categories }),
  most: 2,
  make: (_, state): CoursePlan => makePlan(state),
});

/** Earlier due first, undated last, and in the order of the plan where that is the same. */
function byDueDate(a: Assignment, b: Assignment): number {
  const at = ({ dueAt }: Assignment) => (dueAt === null ? Number.POSITIVE_INFINITY : milliseconds(dueAt));
  const [first, second] = [at(a), at(b)];
  return first === second ? 0 : first < second ? -1 : 1;
}

/** The term that work belongs to by its due date. */
export const termOf = (terms: readonly Term[], { dueAt }: Pick<Assignment, "dueAt">): TermId | null => {
  if (dueAt === null) return null;
  const at = milliseconds(dueAt);
  return terms.find(({ startsAt, endsAt }) => milliseconds(startsAt) <= at && at < milliseconds(endsAt))?.id ?? null;
};

function makePlan(state: CourseState): CoursePlan {
  const assignments = assignmentsOf(state).sort(byDueDate);
  const categories = categoriesOf(state);
  const terms = termsOf(state);
  const nodes = (parentId: CategoryId | null, chosen: (assignment: Assignment) => boolean): PlanNode[] =>
    categories
      .filter((category) => category.parentId === parentId)
      .map((category) => ({
        category,
        assignments: assignments.filter((item) => item.categoryId === category.id && chosen(item)),
        children: nodes(category.id, chosen),
      }));
  const roots = nodes(null, () => true);
  const course = courseOf(state);
  if (terms.length === 0) return { course, roots, terms: [{ term: null, roots }], exams: [], inNoTerm: [] };
  const isExam = (node: PlanNode): node is CoursePlan["exams"][number] => node.category.termWeight !== null;
  const exams = roots.filter(isExam);
  const inExam = new Set(exams.flatMap(idsBelow));
  return {
    course,
    roots,
    terms: terms.map((term) => ({
      term,
      roots: nodes(null, (item) => termOf(terms, item) === term.id).filter((node) => !isExam(node)),
    })),
    exams,
    inNoTerm: assignments.filter((item) => !inExam.has(item.categoryId) && termOf(terms, item) === null),
  };
}

const idsBelow = (node: PlanNode): CategoryId[] => [node.category.id, ...node.children.flatMap(idsBelow)];

/** What is wrong with a plan, or worth a look, as data (handbook, sections 5 and 11). */
export type PlanFinding =
  | { readonly code: "weights_not_hundred"; readonly sum: Exact }
  /** It holds work and has no weight where weights decide: the course total leaves it out. */
  | { readonly code: "no_weight"; readonly id: CategoryId }
  | { readonly code: "weight_below_zero"; readonly id: string }
  | { readonly code: "bands_not_falling"; readonly letter: string }
  | { readonly code: "in_no_term"; readonly assignmentId: string; readonly undated: boolean }
  | { readonly code: "term_upside_down"; readonly termId: TermId }
  | { readonly code: "category_inside_itself"; readonly id: string };

/** Looks a whole plan over; an empty list means nothing is amiss. */
export function checkPlan(state: CourseState): readonly PlanFinding[] {
  const { course, roots, inNoTerm } = planOf(state);
  const terms = termsOf(state);
  const findings: PlanFinding[] = [];
  for (const { id, weight } of categoriesOf(state)) {
    if (weight !== null && fromDecimal(weight).n < 0n) findings.push({ code: "weight_below_zero", id });
  }
  const placed = new Set(roots.flatMap(idsBelow));
  for (const { id } of categoriesOf(state)) {
    if (!placed.has(id)) findings.push({ code: "category_inside_itself", id });
  }
  const weights = roots.flatMap(({ category: { bonus, weight } }) =>
    bonus || weight === null ? [] : [fromDecimal(weight)],
  );
  if (course.totals === "weighted" && weights.length > 0 && compare(sum(weights), HUNDRED) !== 0) {
    findings.push({ code: "weights_not_hundred", sum: sum(weights) });
  }
  if (course.totals === "weighted") {
    for (const { category, assignments, children } of roots) {
      const stands = terms.length > 0 && category.termWeight !== null;
      const isEmpty = assignments.length === 0 && children.length === 0;
      if (category.weight === null && !stands && !isEmpty) findings.push({ code: "no_weight", id: category.id });
    }
  }
  const letter = letterOutOfOrder(course.letters);
  if (letter !== null) findings.push({ code: "bands_not_falling", letter });
  for (const { id, startsAt, endsAt } of termsOf(state)) {
    if (milliseconds(endsAt) <= milliseconds(startsAt)) findings.push({ code: "term_upside_down", termId: id });
  }
  for (const { id, dueAt } of inNoTerm) {
    findings.push({ code: "in_no_term", assignmentId: id, undated: dueAt === null });
  }
  return findings;
}
