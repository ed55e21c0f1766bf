import type { AssignmentId } from "#core/kernel";
import { takeInFiles } from "../../../keep-files";
import { openCourse, orMissing } from "../../../course/open-course";
import { formText } from "../../../ui/fields/form-text";
import { issueWords } from "../../../ui/words/words";
import type { Route } from "./+types/route";

/** Keeps a file, and only then lets the assignment name it. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const fields = await request.formData();
  const { repository, session } = await openCourse(context, params.slot);
  const assignment = orMissing(
    session.state.assignments[formText(fields, "assignmentId") as AssignmentId],
    "assignment",
  );
  const file = fields.get("file");
  if (!(file instanceof File)) return { trouble: "Choose a file." };
  const trouble = await takeInFiles(repository, params.slot, [file], (kept) => {
    const files = [...assignment.files, ...kept];
    const done = session.submit({ type: "editAssignment", assignmentId: assignment.id, fields: { files } });
    return Promise.resolve(done.ok ? null : issueWords(done.issue));
  });
  return { trouble };
}
