import { data } from "react-router";
import { z } from "zod/mini";
import { idField } from "#core/model";
import { takeInFiles } from "../../../keep-files";
import { openCourse, orMissing } from "../../../course/open-course";
import { readForm } from "../../../course/read-form";
import { issueWords } from "../../../ui/words/words";
import type { Route } from "./+types/route";

const wish = z.object({ assignmentId: idField("assignment"), file: z.instanceof(File) });

/** Keeps a file, and only then lets the assignment name it. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const asked = await readForm(request, wish);
  if (!asked.success) return data({ trouble: "Choose a file." }, { status: 400 });
  const { repository, session } = await openCourse(context, params.slot);
  const assignment = orMissing(session.state.assignments[asked.data.assignmentId], "assignment");
  const trouble = await takeInFiles(repository, params.slot, [asked.data.file], (kept) => {
    const files = [...assignment.files, ...kept];
    const done = session.submit({ type: "editAssignment", assignmentId: assignment.id, fields: { files } });
    return Promise.resolve(done.ok ? null : issueWords(done.issue));
  });
  return trouble === null ? { trouble } : data({ trouble }, { status: 400 });
}
