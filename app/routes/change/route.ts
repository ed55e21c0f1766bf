import { data } from "react-router";
import { parseCommand } from "#core/changes";
import { openCourse, orMissing } from "../../open-course";
import { takeWish, type Outcome, type Wish } from "../../outcomes";
import type { CourseSession } from "#storage";
import type { Route } from "./+types/route";

/** Every change of a course comes through here: check the shape, hand it to the session, answer the one who asked. */
export async function clientAction({ request, params, context }: Route.ClientActionArgs) {
  const { wish, answer } = orMissing(takeWish(new URL(request.url).searchParams.get("request") ?? ""), "request");
  const { session } = await openCourse(context, params.slot);
  const outcome = perform(session, wish);
  answer(outcome);
  return outcome.ok ? { ok: true } : data({ ok: false, issue: outcome.issue }, { status: 400 });
}

function perform(session: CourseSession, wish: Wish): Outcome {
  if (typeof wish === "string") return session.step(wish);
  const parsed = parseCommand(wish);
  return parsed.ok ? session.submit(parsed.value) : parsed;
}
