import { data } from "react-router";
import { z } from "zod/mini";
import { planFrom } from "#core/changes";
import { courseOf } from "#core/model";
import { openCourse } from "../../../course/open-course";
import { readForm, slotField } from "../../../course/read-form";
import { issueWords } from "../../../ui/words/words";
import type { Route } from "./+types/route";

/** Most weeks that dates are moved by, either way: ten years. */
const MOST_WEEKS = 520;

const wish = z.object({
  from: slotField,
  /** Weeks that dates are moved by; `none` leaves them out. */
  weeks: z.union([z.literal("none"), z.coerce.number().check(z.int(), z.minimum(-MOST_WEEKS), z.maximum(MOST_WEEKS))]),
});

/** Takes the plan of another course over into this one. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const asked = await readForm(request, wish);
  if (!asked.success) {
    const weeks = asked.error.issues.some(({ path }) => path[0] === "weeks");
    const trouble = weeks ? `Dates are moved by whole weeks, at most ${String(MOST_WEEKS)}.` : "Choose a course.";
    return data({ trouble }, { status: 400 });
  }
  const { from, weeks } = asked.data;
  const here = await openCourse(context, params.slot);
  const there = await openCourse(context, from);
  const plan = planFrom(there.session.state, weeks === "none" ? null : weeks * 7);
  const done = here.session.submit({ type: "copyPlan", plan, from: courseOf(there.session.state).title });
  return done.ok ? { trouble: null } : data({ trouble: issueWords(done.issue) }, { status: 400 });
}
