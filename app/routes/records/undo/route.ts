import type { ChangeId } from "#core/kernel";
import { openCourse } from "../../../course/open-course";
import { formText } from "../../../ui/fields/form-text";
import { issueWords } from "../../../ui/words/words";
import type { Route } from "./+types/route";

/** Undoes one change out of the middle of the journal, if nothing rests on it. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const fields = await request.formData();
  const { session } = await openCourse(context, params.slot);
  const done = session.undoOne(formText(fields, "changeId") as ChangeId);
  return { trouble: done.ok ? null : issueWords(done.issue) };
}
