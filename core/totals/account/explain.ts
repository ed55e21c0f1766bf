import { fromDecimal, pointsText, roundToText, whole, type StudentId } from "#core/kernel";
import { courseOf, type Assignment, type Course, type CourseState } from "#core/model";
import type { Account, AccountPart, AppliedRule } from "./account";
import type { Item, LeftOutReason, Outlook, Part } from "../rules/category-total";
import { planOf } from "../rules/course-plan";
import { evaluate, evaluateNode, itemOf, type Evaluated, type EvaluatedTerm, type NodeTotal } from "../rules/evaluate";
import { explainResult, type Provenances } from "./explain-result";
import { figureOf } from "../rules/figure";

/** What the accounts of one student are made from. */
interface Teller {
  readonly course: Course;
  readonly outlook: Outlook;
  readonly result: (assignment: Assignment) => Account;
}

/** The course total of one student with everything it rests on, under an outlook. */
export function explainTotal(
  state: CourseState,
  studentId: StudentId,
  outlook: Outlook = "now",
  provenances: Provenances = () => null,
): Account {
  const plan = planOf(state);
  const teller: Teller = {
    course: courseOf(state),
    outlook,
    result: (assignment) => explainResult(state, assignment, studentId, provenances),
  };
  const evaluated = evaluate(plan, (item) => itemOf(item, figureOf(state, item, studentId)), outlook);
  const inner = explainUncapped(teller, evaluated);
  const unplaced = plan.inNoTerm.map((assignment) => ({
    account: teller.result(assignment),
    why: assignment.dueAt === null ? ("undated" as const) : ("outsideEveryTerm" as const),
  }));
  const uncapped: Account = { ...inner, leftOut: [...inner.leftOut, ...unplaced] };
  return plan.course.capAtHundred
    ? inPercent(teller, {
        kind: "course",
        id: plan.course.id,
        exact: evaluated.percent,
        rule: { name: "cap" },
        parts: [alone(uncapped)],
      })
    : uncapped;
}

/** The total of one category over the whole course. */
export function explainCategory(
  state: CourseState,
  studentId: StudentId,
  categoryId: string,
  outlook: Outlook = "now",
  provenances: Provenances = () => null,
): Account | null {
  const teller: Teller = {
    course: courseOf(state),
    outlook,
    result: (assignment) => explainResult(state, assignment, studentId, provenances),
  };
  const find = (totals: readonly NodeTotal[]): NodeTotal | null => {
    for (const total of totals) {
      const found = total.node.category.id === categoryId ? total : find(total.children);
      if (found) return found;
    }
    return null;
  };
  const source = (item: Assignment) => itemOf(item, figureOf(state, item, studentId));
  const found = find(planOf(state).roots.map((node) => evaluateNode(node, source, outlook)));
  return found && explainNode(teller, found);
}

const alone = (account: Account): AccountPart => ({ account, size: whole(1), weight: null, bonus: false });

type Draft = Pick<Account, "kind" | "id" | "exact" | "rule" | "parts"> & Partial<Pick<Account, "leftOut">>;

/** An account in percent, shown with the course's number of places. */
const inPercent = ({ course }: Teller, draft: Draft): Account => ({
  unit: "percent",
  shown: draft.exact && roundToText(draft.exact, course.percentPlaces),
  leftOut: [],
  ...draft,
});

function explainUncapped(teller: Teller, { terms, exams, uncapped }: Evaluated): Account {
  const { course } = teller;
  const [only] = terms;
  if (only?.term === null) return { ...explainTerm(teller, only), kind: "course", id: course.id };
  const all = [
    ...terms.flatMap((evaluated) =>
      evaluated.term ? [{ account: explainTerm(teller, evaluated), weight: evaluated.term.weight }] : [],
    ),
    ...exams.flatMap((exam) => {
      const { termWeight } = exam.node.category;
      return termWeight === null ? [] : [{ account: explainNode(teller, exam), weight: termWeight }];
    }),
  ];
  const parts = all
    .filter(({ account }) => account.exact)
    .map(({ account, weight }) => ({ ...alone(account), size: fromDecimal(weight) }));
  const leftOut = all
    .filter(({ account }) => !account.exact)
    .map(({ account }) => ({ account, why: "empty" as const }));
  return inPercent(teller, { kind: "course", id: course.id, exact: uncapped, rule: { name: "terms" }, parts, leftOut });
}

function explainTerm(teller: Teller, { term, nodes, total }: EvaluatedTerm): Account {
  const { course } = teller;
  const accountOf = new Map(nodes.map((node) => [node.node.category.id as string, explainNode(teller, node)]));
  const account = (id: string): Account[] => {
    const found = accountOf.get(id);
    return found ? [found] : [];
  };
  const rule: AppliedRule =
    course.totals === "points"
      ? { name: "straightPoints" }
      : { name: "weighted", emptyCategories: course.emptyCategories };
  return inPercent(teller, {
    kind: "term",
    id: term?.id ?? course.id,
    exact: total.percent,
    rule,
    parts: total.shares.flatMap(({ category, size }) =>
      account(category.id).map((found) => ({ account: found, size, weight: null, bonus: category.bonus })),
    ),
    leftOut: total.leftOut.flatMap(({ category, why }) =>
      account(category.id).map((found) => ({ account: found, why })),
    ),
  });
}

function explainNode(teller: Teller, { node, total, children }: NodeTotal): Account {
  const { category } = node;
  const inner = new Map(children.map((child) => [child.node.category.id as string, child]));
  const assignments = new Map(node.assignments.map((assignment) => [assignment.id as string, assignment]));
  const accountOf = (item: Item): Account => {
    const child = inner.get(item.id);
    if (child) return asItem(explainNode(teller, child), item);
    const assignment = assignments.get(item.id);
    return assignment ? teller.result(assignment) : openAccount(item, teller.outlook);
  };
  const partOf = (bonus: boolean) => (part: Part) => ({
    account: part.assumed ? assumed(part, teller.outlook) : accountOf(part.item),
    size: part.item.points,
    weight: null,
    bonus,
  });
  const rule: AppliedRule = { name: "category", method: category.method, keep: category.keep };
  const parts = [...total.kept.map(partOf(false)), ...total.bonus.map(partOf(true))];
  const leftOut = total.leftOut.map(({ item, why }: { item: Item; why: LeftOutReason }) => ({
    account: accountOf(item),
    why,
  }));
  return inPercent(teller, { kind: "category", id: category.id, exact: total.percent, rule, parts, leftOut });
}

/** A category inside another one, as the points it counts for there. */
function asItem(account: Account, { points, value }: Item): Account {
  const rule: AppliedRule = { name: "asItem", points };
  return {
    ...account,
    unit: "points",
    exact: value,
    shown: value && pointsText(value),
    rule,
    parts: [alone(account)],
    leftOut: [],
  };
}

const openAccount = (item: Item, outlook: Outlook): Account => ({
  kind: "result",
  id: item.id,
  unit: "points",
  exact: null,
  shown: null,
  rule: { name: "open", outlook },
  parts: [],
  leftOut: [],
});

const assumed = ({ item, value }: Part, outlook: Outlook): Account => ({
  ...openAccount(item, outlook),
  exact: value,
  shown: pointsText(value),
});
