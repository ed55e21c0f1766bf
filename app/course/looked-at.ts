import { totalsHistory, type Checked, type Context } from "#core/changes";
import { courseOf } from "#core/model";
import type { CourseSession } from "#storage";

/** A course as it is looked at before something is given out: its state with what was given before, and how to ask it. */
export function lookedAt(session: CourseSession): { readonly checked: Checked; readonly asked: Context } {
  const { state, entries } = session;
  return {
    checked: { state, history: totalsHistory(state, entries) },
    asked: {
      at: session.now(),
      by: courseOf(state).markerId,
      fresh: () => crypto.randomUUID(),
      journal: entries,
    },
  };
}
