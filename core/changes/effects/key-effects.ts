import { compare, type Exact, type Result } from "#core/kernel";
import { studentsOf, type CourseState, type Student } from "#core/model";
import { figuresOf } from "#core/totals";
import type { ChangeIssue, Context } from "../engine/change";
import { runCommand, type Command } from "../engine/registry";

/** A student whose figure would be another one. */
export interface KeyEffect {
  readonly student: Student;
  readonly before: Exact | null;
  readonly after: Exact | null;
}

/** Whose figures a change of questions and keys would change, and how, before it is applied. */
export function keyEffects(
  state: CourseState,
  command: Extract<Command, { type: "saveQuestions" }>,
  context: Context,
): Result<KeyEffect[], ChangeIssue> {
  const done = runCommand(state, command, context);
  if (!done.ok) return done;
  const [now, then] = [figuresOf(state), figuresOf(done.value.state)];
  const effects = studentsOf(state).flatMap((student): KeyEffect[] => {
    const before = now.figure(command.assignmentId, student.id).counted;
    const after = then.figure(command.assignmentId, student.id).counted;
    const same = before && after ? compare(before, after) === 0 : before === after;
    return same ? [] : [{ student, before, after }];
  });
  return { ok: true, value: effects };
}
