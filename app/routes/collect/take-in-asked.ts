import { z } from "zod/mini";
import { parseCommand, type ChangeResult } from "#core/changes";
import type { AssignmentId } from "#core/kernel";
import type { CourseSession } from "#storage";
import { jsonField, readForm } from "../../course/read-form";
import { issueWords } from "../../ui/words/words";

/** What taking in answers. */
export interface TakeInAnswer {
  readonly done: ChangeResult | null;
  /** What it was for. */
  readonly taken: AssignmentId | null;
  readonly trouble: string | null;
}

/** What is taken in, as it was shown. */
const wish = z.object({ handIns: jsonField });

const refused = (trouble: string): TakeInAnswer => ({ done: null, taken: null, trouble });

/** Takes in the hand-ins that a form asks for, all or none. */
export async function takeInAsked(request: Request, session: CourseSession): Promise<TakeInAnswer> {
  const asked = await readForm(request, wish);
  if (!asked.success) return refused("Nothing was taken in. Reload the page and try again.");
  const parsed = parseCommand({ type: "takeIn", handIns: asked.data.handIns });
  if (!parsed.ok) return refused(issueWords(parsed.issue));
  const done = session.submit(parsed.value);
  if (!done.ok) return refused(issueWords(done.issue));
  const first = parsed.value.type === "takeIn" ? parsed.value.handIns[0] : undefined;
  return { done, taken: first?.assignmentId ?? null, trouble: null };
}
