import type { AssignmentId, Id } from "#core/kernel";
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
  const mediaType = mediaTypeOf(file);
  if (!mediaType)
    return { trouble: `${file.name} is not a PDF, Markdown or plain text file. Save it as one of these.` };
  if (file.size > MOST_BYTES) return { trouble: `${file.name} is larger than 50 MB. Make it smaller.` };
  const id = `file:${repository.surroundings.fresh()}` as Id<"file">;
  await repository.keepFile(params.slot, id, new Blob([await file.arrayBuffer()], { type: mediaType }));
  const files = [...assignment.files, { id, name: file.name.slice(0, 200), mediaType, size: file.size }];
  const done = session.submit({ type: "editAssignment", assignmentId: assignment.id, fields: { files } });
  return { trouble: done.ok ? null : issueWords(done.issue) };
}

function mediaTypeOf({ name }: File): "application/pdf" | "text/markdown" | "text/plain" | null {
  const ending = name.toLowerCase().split(".").at(-1);
  if (ending === "pdf") return "application/pdf";
  if (ending === "md" || ending === "markdown") return "text/markdown";
  return ending === "txt" ? "text/plain" : null;
}
