import { redirect } from "react-router";
import { assignmentsOf, studentsOf } from "#core/model";
import { figuresOf } from "#core/totals";
import { knownIn } from "../../course/choices";
import { openCourse } from "../../course/open-course";
import { deskAddress } from "../../ui/address";
import type { Route } from "./+types/page";

/** Leads to the paper where the person left off, else to the first that waits, else to the first there is. */
export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const { state } = session;
  const left = await knownIn(repository, params.slot, "place");
  if (left && state.assignments[left.assignmentId] && state.students[left.studentId]) {
    return redirect(deskAddress(params.slot, left.assignmentId, left.studentId));
  }
  const { figure } = figuresOf(state);
  const papers = assignmentsOf(state).flatMap(({ id }) =>
    studentsOf(state).map((student) => ({ id, studentId: student.id })),
  );
  const first = papers.find(({ id, studentId }) => figure(id, studentId).waiting) ?? papers[0];
  return first
    ? redirect(deskAddress(params.slot, first.id, first.studentId))
    : redirect(`/courses/${params.slot}/plan`);
}

export default function ScorePage() {
  return null;
}
