import { planFrom } from "#core/changes";
import { courseOf } from "#core/model";
import { openCourse } from "../../../course/open-course";
import { formText } from "../../../ui/fields/form-text";
import { issueWords } from "../../../ui/words/words";
import type { Route } from "./+types/route";

/** Takes the plan of another course over into this one, or one assignment of this course over into another. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const fields = await request.formData();
  const here = await openCourse(context, params.slot);
  const there = await openCourse(context, formText(fields, "from"));
  const weeks = formText(fields, "weeks");
  const plan = planFrom(there.session.state, weeks === "none" ? null : Number(weeks) * 7);
  const done = here.session.submit({ type: "copyPlan", plan, from: courseOf(there.session.state).title });
  return { trouble: done.ok ? null : issueWords(done.issue) };
}
