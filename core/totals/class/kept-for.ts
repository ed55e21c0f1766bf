import { courseOf, cutAt, rubricOf, type Assignment, type CourseState } from "#core/model";

/** Everything in a state that the figures of one assignment rest on, each compared by identity. */
const basisOf = (state: CourseState, assignment: Assignment): readonly unknown[] => [
  courseOf(state),
  rubricOf(state, assignment),
  state.scales,
  state.groups,
  state.questions,
  state.students,
  cutAt(state, "results", assignment.id),
  cutAt(state, "handIns", assignment.id),
  cutAt(state, "judgements", assignment.id),
  cutAt(state, "answers", assignment.id),
];

/**
 * Keeps one value for each assignment as long as nothing it rests on has changed, so that a change in one assignment does
 * not count through all the others again. `more` names what else the value rests on.
 */
export function keptForAssignment<T>(): (
  state: CourseState,
  assignment: Assignment,
  more: readonly unknown[],
  make: () => T,
) => T {
  const known = new WeakMap<Assignment, { readonly basis: readonly unknown[]; readonly value: T }>();
  return (state, assignment, more, make) => {
    const basis = [...basisOf(state, assignment), ...more];
    const before = known.get(assignment);
    if (before?.basis.length === basis.length && before.basis.every((part, index) => part === basis[index])) {
      return before.value;
    }
    const value = make();
    known.set(assignment, { basis, value });
    return value;
  };
}
