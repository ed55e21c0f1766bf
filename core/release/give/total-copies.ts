import { eachInSteps, keptBy, roundToText, type Exact, type Instant, type Steps, type StudentId } from "#core/kernel";
import {
  copyOf,
  courseOf,
  studentsOf,
  termsOf,
  totalCopiesOf,
  totalSealOf,
  type Assignment,
  type CourseState,
  type Student,
  type TotalCopy,
} from "#core/model";
import { planOf, type NodeTotal } from "#core/totals";
import { isShown } from "../visibility";
import { entersTotals, knowsValue, shownTo, type Shown } from "../shown-totals";

type Part = TotalCopy["parts"][number];
type Line = Part["items"][number];

/** The name a total goes by. */
export const totalName = (state: CourseState, id: string): string =>
  state.categories[id]?.name ?? state.terms[id]?.name ?? "Course";

/** Every total there is, in the order they are listed: the course, its terms, its categories. */
export function totalIds(state: CourseState): string[] {
  const withInner = (node: ReturnType<typeof planOf>["roots"][number]): string[] => [
    node.category.id,
    ...node.children.flatMap(withInner),
  ];
  return ["course", ...termsOf(state).map(({ id }) => id), ...planOf(state).roots.flatMap(withInner)];
}

/** What a student has been told of the values that enter their totals. */
interface Told extends Shown {
  /** Something of the assignment enters that the student does not know. */
  readonly isSealed: (assignment: Assignment) => boolean;
  readonly places: number;
}

function toldTo(state: CourseState, studentId: StudentId): Told {
  const shown = shownTo(state, studentId);
  const sealed = new Map<Assignment, boolean>();
  return {
    ...shown,
    places: courseOf(state).percentPlaces,
    isSealed: (assignment) => {
      let is = sealed.get(assignment);
      if (is === undefined) {
        const item = shown.source(assignment);
        is = entersTotals(item) && !knowsValue(state, assignment, studentId, item.value);
        sealed.set(assignment, is);
      }
      return is;
    },
  };
}

const assignmentsBelow = (node: NodeTotal["node"]): Assignment[] => [
  ...node.assignments,
  ...node.children.flatMap(assignmentsBelow),
];

/** Whether everything that enters a category is known to the student, so that its figure tells nothing new. */
const allKnown = (told: Told, node: NodeTotal["node"]): boolean => !assignmentsBelow(node).some(told.isSealed);

/** One assignment in the account of a total. Whether a sealed score exists at all is not told. */
function assignmentLine(state: CourseState, studentId: StudentId, told: Told, node: NodeTotal, one: Assignment): Line {
  const copy = isShown(state, one, studentId, "score") ? copyOf(state, one.id, studentId).score?.content : undefined;
  if (!copy) return { name: one.name, told: null, rests: [] };
  const { standing, points, maximum } = copy;
  const dropped =
    allKnown(told, node.node) && node.total.leftOut.some(({ item, why }) => item.id === one.id && why === "dropped");
  return { name: one.name, told: { kind: "score", standing, points, maximum, dropped }, rests: [one.id] };
}

/** A figure inside an account, where the student may know it: through its parts, or because its own seal is broken. */
function innerFigure(
  state: CourseState,
  told: Told,
  nodes: readonly NodeTotal["node"][],
  id: string,
  percent: Exact | null,
): Pick<Line, "told" | "rests"> {
  const isKnown = nodes.every((node) => allKnown(told, node));
  if (!percent || (!isKnown && totalSealOf(state, id).state !== "released")) return { told: null, rests: [] };
  const entering = nodes
    .flatMap(assignmentsBelow)
    .filter((assignment) => entersTotals(told.source(assignment)))
    .map((assignment) => assignment.id);
  return { told: { kind: "percent", percent: roundToText(percent, told.places) }, rests: isKnown ? entering : [id] };
}

function categoryPart(state: CourseState, studentId: StudentId, told: Told, node: NodeTotal): Part {
  const { category } = node.node;
  return {
    name: category.name,
    weight: courseOf(state).totals === "weighted" ? category.weight : null,
    ...innerFigure(state, told, [node.node], category.id, node.total.percent),
    items: [
      ...node.node.assignments
        .filter(({ hidden, counts }) => !hidden && counts)
        .map((one) => assignmentLine(state, studentId, told, node, one)),
      ...node.children.map((child) => categoryLine(state, told, child)),
    ],
  };
}

const categoryLine = (state: CourseState, told: Told, node: NodeTotal): Line => ({
  name: node.node.category.name,
  ...innerFigure(state, told, [node.node], node.node.category.id, node.total.percent),
});

/** How a total came about, as far as the student may know it. */
function partsOf(state: CourseState, studentId: StudentId, told: Told, id: string): Part[] {
  const { evaluated } = told;
  const everyNode = [...evaluated.terms.flatMap(({ nodes }) => nodes), ...evaluated.exams];
  const part = (node: NodeTotal) => categoryPart(state, studentId, told, node);
  const term = evaluated.terms.find((one) => one.term?.id === id);
  if (term) return term.nodes.map(part);
  if (id !== "course") {
    const below = (node: NodeTotal): NodeTotal[] => [node, ...node.children.flatMap(below)];
    return everyNode.flatMap(below).flatMap((node) => (node.node.category.id === id ? [part(node)] : []));
  }
  if (evaluated.terms[0]?.term === null) return everyNode.map(part);
  const terms = evaluated.terms.map(({ term: one, nodes, total }): Part => {
    const own = nodes.map(({ node }) => node);
    return {
      name: one?.name ?? "",
      weight: one?.weight ?? null,
      ...innerFigure(state, told, own, one?.id ?? "course", total.percent),
      items: nodes.map((node) => categoryLine(state, told, node)),
    };
  });
  return [...terms, ...evaluated.exams.map((node) => ({ ...part(node), weight: node.node.category.termWeight }))];
}

/** The assignments that a total takes in. */
const assignmentsIn = keptBy({
  owner: (state: CourseState, _: string) => planOf(state),
  part: (_, id) => id,
  make: (_, state, id): readonly Assignment[] => {
    const { terms, roots } = planOf(state);
    const term = terms.find((one) => one.term?.id === id);
    if (term) return term.roots.flatMap(assignmentsBelow);
    const all = roots.flatMap(assignmentsBelow);
    const inside = (categoryId: string | null): boolean =>
      categoryId === id || (categoryId !== null && inside(state.categories[categoryId]?.parentId ?? null));
    return id === "course" ? all : all.filter(({ categoryId }) => inside(categoryId));
  },
});

/** The totals a student would be given now, of those whose seals are broken. */
export function draftTotals(state: CourseState, studentId: StudentId, at: Instant): TotalCopy[] {
  const told = toldTo(state, studentId);
  if (told.totals.length === 0) return [];
  const order = totalIds(state);
  return told.totals
    .map(({ id, text }): TotalCopy => ({
      id,
      name: totalName(state, id),
      text,
      shows: totalSealOf(state, id).shows,
      restsOnSealed: assignmentsIn(state, id).some(told.isSealed),
      at,
      parts: partsOf(state, studentId, told, id),
    }))
    .sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
}

/**
 * What a student sees of their totals: the copies they were given, under seals that are still broken. A line whose work was
 * sealed or held since tells nothing any more, though the total itself stays as it was given.
 */
export const visibleTotals = (state: CourseState, studentId: StudentId): readonly TotalCopy[] =>
  totalCopiesOf(state, studentId).flatMap((copy): TotalCopy[] => {
    if (totalSealOf(state, copy.id).state !== "released") return [];
    const isOpen = (id: string) => {
      const assignment = (state.assignments as Readonly<Record<string, Assignment | undefined>>)[id];
      return assignment ? isShown(state, assignment, studentId, "score") : totalSealOf(state, id).state === "released";
    };
    const shown = <L extends Line>(line: L): L => (line.rests.every(isOpen) ? line : { ...line, told: null });
    const parts = copy.parts.map((part) => ({ ...shown(part), items: part.items.map(shown) }));
    const hides = copy.parts.some((part) => [part, ...part.items].some((line) => !line.rests.every(isOpen)));
    return [hides ? { ...copy, restsOnSealed: true, parts } : copy];
  });

/** A total of one student that is another now than the one they were given. */
export interface TotalDifference {
  readonly student: Student;
  readonly id: string;
  readonly name: string;
  readonly old: string | null;
  readonly present: string | null;
}

/** Every total that would be another if it were given out again, old beside new. */
export function* changedTotalCopies(state: CourseState, at: Instant): Steps<TotalDifference[]> {
  if (Object.values(state.totalSeals).every((seal) => seal.state !== "released")) return [];
  const changed = yield* eachInSteps(studentsOf(state), (student) => {
    const old = visibleTotals(state, student.id);
    const present = draftTotals(state, student.id, at);
    const ids = [...new Set([...old, ...present].map(({ id }) => id))];
    return ids.flatMap((id): TotalDifference[] => {
      const [was, is] = [old, present].map((list) => list.find((one) => one.id === id)?.text ?? null);
      return was === is ? [] : [{ student, id, name: totalName(state, id), old: was ?? null, present: is ?? null }];
    });
  });
  return changed.flat();
}
