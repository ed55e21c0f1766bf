import { redirect } from "react-router";
import { z } from "zod";
import { assignmentsOf, idField, studentsOf } from "#core/model";
import { figuresOf } from "#core/totals";
import { openCourse } from "../../course/open-course";
import { deskAddress } from "../../ui/address";
import type { Route } from "./+types/page";

const placeSchema = z.object({ assignmentId: idField("assignment"), studentId: idField("student") });

/** Leads to the paper where the person left off, else to the first that waits, else to the first there is. */
export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { repository, session } = await openCourse(context, params.slot);
  const { state } = session;
  const left = placeSchema.safeParse(await repository.recall(`place/${params.slot}`));
  if (left.success && state.assignments[left.data.assignmentId] && state.students[left.data.studentId]) {
    return redirect(deskAddress(params.slot, left.data.assignmentId, left.data.studentId));
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
