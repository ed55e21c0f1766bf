import { use, useCallback } from "react";
import { type ChangeResult, isStepped, parseCommand } from "#core/changes";
import type { CourseSession } from "#storage";
import { SessionContext } from "./course-provider";
import type { Wish } from "./wish";

/** Sends a command, or a step through the history, and answers how it came out. */
export type SendChange = (what: Wish) => Promise<ChangeResult>;

function perform(session: CourseSession, wish: Wish): ChangeResult | Promise<ChangeResult> {
  if (typeof wish === "string") return session.step(wish);
  const parsed = parseCommand(wish);
  if (!parsed.ok) return parsed;
  return isStepped(parsed.value) ? session.submitInTurns(parsed.value) : session.submit(parsed.value);
}

/**
 * Sends a command of the course that is open and answers how it came out. It has taken effect, and is put down, before
 * this returns: whoever leaves the page in the same turn of the key loses nothing. One that has to look at every student
 * takes its turns.
 */
export function useChange(): SendChange {
  const session = use(SessionContext);
  return useCallback(
    (what) => {
      if (!session) throw new Error("useChange outside of a course");
      return Promise.resolve(perform(session, what));
    },
    [session],
  );
}
