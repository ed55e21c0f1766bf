import { data } from "react-router";
import { parseCommand } from "#core/changes";
import { openCourse } from "../../open-course";
import { deliverOutcome, type Outcome } from "../../outcomes";
import { changeRequestSchema } from "../../use-change";
import type { Route } from "./+types/route";

/** Every change of a course comes through here: check the shape, hand it to the session, answer the one who asked. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const { requestId, step, command } = changeRequestSchema.parse(await request.json());
  const { session } = await openCourse(context, params.slot);
  const perform = (): Outcome => {
    if (step) return session.step(step);
    const parsed = parseCommand(command);
    return parsed.ok ? session.submit(parsed.value) : parsed;
  };
  const outcome = perform();
  deliverOutcome(requestId, outcome);
  return outcome.ok ? { ok: true } : data({ ok: false, issue: outcome.issue }, { status: 400 });
}
