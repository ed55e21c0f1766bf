import type { AssignmentId, Id } from "#core/kernel";
import { mediaTypeOf } from "#core/model";
import { openCourse, orMissing } from "../../open-course";
import { formText } from "../../ui/form-text";
import { issueWords } from "../../ui/words";
import type { Route } from "./+types/route";

/** Most bytes of one attached file. */
const MOST_BYTES = 50_000_000;

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
  const mediaType = mediaTypeOf(file.name);
  if (file.size > MOST_BYTES) return { trouble: `${file.name} is larger than 50 MB. Make it smaller.` };
  const id = `file:${repository.surroundings.fresh()}` as Id<"file">;
  await repository.keepFile(params.slot, id, new Blob([await file.arrayBuffer()], { type: mediaType }));
  const files = [...assignment.files, { id, name: file.name.slice(0, 200), mediaType, size: file.size }];
  const done = session.submit({ type: "editAssignment", assignmentId: assignment.id, fields: { files } });
  return { trouble: done.ok ? null : issueWords(done.issue) };
}
