import { data } from "react-router";
import { z } from "zod/mini";
import { idField } from "#core/model";
import { openCourse } from "../../../course/open-course";
import { readForm } from "../../../course/read-form";
import { issueWords } from "../../../ui/words/words";
import type { Route } from "./+types/route";

const wish = z.object({ changeId: idField("change") });

/** Undoes one change out of the middle of the journal, if nothing rests on it. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const asked = await readForm(request, wish);
  if (!asked.success) return data({ trouble: "Choose a change of the journal." }, { status: 400 });
  const { session } = await openCourse(context, params.slot);
  const done = session.undoOne(asked.data.changeId);
  return done.ok ? { trouble: null } : data({ trouble: issueWords(done.issue) }, { status: 400 });
}
