import { copiedFields } from "#core/changes";
import type { AssignmentId } from "#core/kernel";
import { rubricOf } from "#core/model";
import { adaptRubric } from "#core/scoring";
import { openCourse, orMissing } from "../../course/open-course";
import { formText } from "../../ui/form-text";
import { issueWords } from "../../ui/words";
import type { Route } from "./+types/route";

/** Copies one assignment, with its rubric, into another course of this browser, into the category of the same name. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const fields = await request.formData();
  const { repository, session } = await openCourse(context, params.slot);
  const { state } = session;
  const assignment = orMissing(state.assignments[formText(fields, "assignmentId") as AssignmentId], "assignment");
  const there = await openCourse(context, formText(fields, "to"));
  const rubric = rubricOf(state, assignment);
  const done = there.session.submit({
    type: "addAssignments",
    assignments: [
      {
        ...copiedFields(assignment),
        category: { name: state.categories[assignment.categoryId]?.name ?? "Work" },
        rubric: rubric && adaptRubric(rubric, rubric.name, repository.surroundings.fresh),
      },
    ],
  });
  return { trouble: done.ok ? null : issueWords(done.issue) };
}
