import { sameValue, type Steps, type StudentId } from "#core/kernel";
import {
  assignmentsOf,
  copyOf,
  cutAt,
  FACETS,
  releaseOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Facet,
} from "#core/model";
import { isShown } from "./visibility";
import { totalName, visibleTotals } from "./give/total-copies";

/** What a change would do to what students see of one facet of an assignment, or of one total. */
export interface VisibleChange {
  /** The assignment's name with its facet, or a total's name with null. */
  readonly what: string;
  readonly assignmentId: Assignment["id"] | null;
  readonly facet: Facet | null;
  /** Students who see it then and do not now. */
  readonly gain: readonly StudentId[];
  /** Students who see something else then. */
  readonly change: readonly StudentId[];
  /** Students who see it now and not then. */
  readonly lose: readonly StudentId[];
}

const sameSeals = (before: CourseState, after: CourseState, { id }: Assignment): boolean =>
  before.assignments[id] === after.assignments[id] &&
  cutAt(before, "copies", id) === cutAt(after, "copies", id) &&
  cutAt(before, "results", id) === cutAt(after, "results", id) &&
  FACETS.every((facet) => releaseOf(before, id, facet).state === releaseOf(after, id, facet).state);

function* compared(
  students: readonly StudentId[],
  was: (id: StudentId) => unknown,
  is: (id: StudentId) => unknown,
): Steps<Pick<VisibleChange, "gain" | "change" | "lose">> {
  const [gain, change, lose]: [StudentId[], StudentId[], StudentId[]] = [[], [], []];
  for (const id of students) {
    const [old, present] = [was(id) ?? null, is(id) ?? null];
    if (old === null && present !== null) gain.push(id);
    else if (old !== null && present === null) lose.push(id);
    else if (!sameValue(old, present)) change.push(id);
    yield;
  }
  return { gain, change, lose };
}

/**
 * Everything students would newly see, see otherwise, or see no longer, between two states of a course. It is what every
 * change of a seal is previewed with.
 */
export function* visibleChanges(before: CourseState, after: CourseState): Steps<VisibleChange[]> {
  const students = studentsOf(after).map(({ id }) => id);
  const facetOf = (state: CourseState, assignment: Assignment, facet: Facet) => (id: StudentId) => {
    const own = state.assignments[assignment.id];
    return own && isShown(state, own, id, facet) ? copyOf(state, assignment.id, id)[facet]?.content : null;
  };
  const found: VisibleChange[] = [];
  for (const assignment of assignmentsOf(after)) {
    if (sameSeals(before, after, assignment)) continue;
    for (const facet of FACETS) {
      const about = { what: assignment.name, assignmentId: assignment.id, facet };
      const [was, is] = [facetOf(before, assignment, facet), facetOf(after, assignment, facet)];
      found.push({ ...about, ...(yield* compared(students, was, is)) });
    }
  }
  const ids = [...new Set([...Object.keys(before.totalSeals), ...Object.keys(after.totalSeals)])];
  const totalOf = (state: CourseState, total: string) => (id: StudentId) =>
    visibleTotals(state, id).find((copy) => copy.id === total)?.text;
  for (const id of ids) {
    const about = { what: totalName(after, id), assignmentId: null, facet: null };
    found.push({ ...about, ...(yield* compared(students, totalOf(before, id), totalOf(after, id))) });
  }
  return found.filter(({ gain, change, lose }) => gain.length + change.length + lose.length > 0);
}
