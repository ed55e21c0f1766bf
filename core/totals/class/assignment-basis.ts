import type { Basis } from "#core/kernel";
import { cutAt, moderationOf, rubricOf, type Assignment, type CourseState } from "#core/model";
import { countingRules } from "../rules/counting-rules";

/** Everything in a state that the figures of one assignment rest on, for what is counted over all of them. */
export const assignmentBasis = (state: CourseState, assignment: Assignment): Basis => ({
  rules: countingRules(state),
  rubric: rubricOf(state, assignment),
  scales: state.scales,
  groups: state.groups,
  questions: state.questions,
  moderation: moderationOf(state, assignment.id),
  secondMarks: state.secondMarks,
  students: state.students,
  results: cutAt(state, "results", assignment.id),
  handIns: cutAt(state, "handIns", assignment.id),
  judgements: cutAt(state, "judgements", assignment.id),
  answers: cutAt(state, "answers", assignment.id),
});
