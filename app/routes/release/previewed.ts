import { runInSteps, type ChangeIssue, type Command, type Context } from "#core/changes";
import type { Steps } from "#core/kernel";
import type { CourseState } from "#core/model";
import { visibleChanges, type VisibleChange } from "#core/release";

/** What a command would change for students, or why it is refused; worked out in steps. */
export function* previewed(
  state: CourseState,
  command: Command,
  context: Context,
): Steps<readonly VisibleChange[] | ChangeIssue> {
  const next = yield* runInSteps(state, command, context);
  return next.ok ? yield* visibleChanges(state, next.value.state) : next.issue;
}
