import type { AssignmentId, StudentId } from "#core/kernel";
import { copyOf, studentsOf, type Assignment, type CourseState } from "#core/model";
import { classPapers, sawBetween, type ClassPapers } from "#core/release";
import type { Past } from "../engine/change";
import { statesAfter } from "./states-after";

/** How far back class figures are looked at. */
const MOST_LOOKED_AT = 24;

const figuresIn = (fields: object | null): unknown =>
  fields && "classFigures" in fields ? (fields.classFigures ?? null) : null;

/** Whether a change gives out class figures of an assignment, or takes them away. */
const touches = ({ change }: Past, assignmentId: AssignmentId): boolean =>
  change.patches.some(
    ({ table, id, before, after }) =>
      table === "copies" && id.startsWith(`${assignmentId}/`) && figuresIn(before) !== figuresIn(after),
  );

/**
 * Each set of papers that class figures of an assignment were given out over and that somebody has now, or may have seen
 * before it was replaced, sealed or undone. One set after the other tells about the papers between them.
 */
export function classFiguresGiven(
  state: CourseState,
  journal: readonly Past[],
  { id: assignmentId }: Pick<Assignment, "id">,
): readonly ClassPapers[] {
  const history = statesAfter(state, journal, (entry) => touches(entry, assignmentId), MOST_LOOKED_AT);
  const students = studentsOf(state).map(({ id }) => id);
  return history.flatMap((then, index) => {
    const assignment = then.state.assignments[assignmentId];
    const fresh = students.filter((id) => givenAt(then.state, assignmentId, id) === then.at);
    if (!assignment || fresh.length === 0) return [];
    const seen = fresh.some((id) => {
      if (givenAt(state, assignmentId, id) === then.at) return true;
      const replaced = history.slice(0, index).findLast((later) => givenAt(later.state, assignmentId, id) !== then.at);
      return sawBetween(state, assignmentId, id, then.at, replaced?.at ?? null);
    });
    return seen ? [classPapers(then.state, assignment)] : [];
  });
}

const givenAt = (state: CourseState, assignmentId: AssignmentId, studentId: StudentId) =>
  copyOf(state, assignmentId, studentId).classFigures?.at ?? null;
