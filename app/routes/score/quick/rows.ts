import { entryText } from "#core/changes";
import type { AssignmentId } from "#core/kernel";
import { postsOf, rosterName, resultOf, studentsOf, type CourseState, type Student } from "#core/model";
import { figuresOf } from "#core/totals";
import { orMissing } from "../../../course/open-course";

/** Everyone's score and comment on one assignment. @throws a 404 where there is no such assignment */
export function quickRows(state: CourseState, assignmentId: AssignmentId) {
  const assignment = orMissing(state.assignments[assignmentId], "assignment");
  const { figure } = figuresOf(state);
  const posts = assignment.channel === "discussion" ? postsOf(state, assignment.id) : [];
  const row = (student: Student) => ({
    studentId: student.id,
    name: rosterName(state, student),
    number: student.number,
    entry: entryText(state, assignment.id, student.id),
    comment: resultOf(state, assignment.id, student.id).overallComment,
    standing: figure(assignment.id, student.id).standing,
    posts: posts.filter(({ studentId }) => studentId === student.id).map(({ id, text }) => ({ id, text })),
  });
  return { assignment, rows: studentsOf(state).map(row) };
}
