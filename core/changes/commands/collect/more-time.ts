import { z } from "zod/mini";
import { milliseconds, refuse } from "#core/kernel";
import { courseOf, idField, instantField, resultOf, rosterName } from "#core/model";
import { counted, momentText } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, put, studentAt } from "../../engine/command-parts";

const input = z.object({
  assignmentId: idField("assignment"),
  /** One student, or all of a section. */
  studentIds: z.array(idField("student")).check(z.minLength(1), z.maxLength(5_000)),
  /** Null takes it back. */
  until: z.nullable(instantField),
  /** Why, for those who mark. */
  reason: z.string().check(z.trim(), z.maxLength(500)),
});

/** Gives students a due time of their own, from which lateness counts; or takes it back. */
export const giveMoreTime: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { assignmentId, studentIds, until, reason }) => {
    const assignment = assignmentAt(state, assignmentId);
    if (!assignment.ok) return assignment;
    const { name, dueAt } = assignment.value;
    if (until && dueAt && milliseconds(until) <= milliseconds(dueAt))
      return refuse({ code: "more_time_not_later", until, dueAt });
    for (const id of studentIds) {
      const student = studentAt(state, id);
      if (!student.ok) return student;
    }
    const [only] = studentIds.flatMap((id) => state.students[id] ?? []);
    const whom = studentIds.length === 1 && only ? rosterName(state, only) : counted(studentIds.length, "student");
    const words = until ? `more time, until ${momentText(until, courseOf(state).timeZone)}` : "more time taken back";
    const done = finish(
      `${whom}, ${name}: ${words}`,
      ...studentIds.map((id) =>
        put(state, "results", {
          ...resultOf(state, assignmentId, id),
          moreTime: until ? { until, reason } : null,
        }),
      ),
    );
    return done.ok && reason !== "" ? { ok: true, value: { ...done.value, reason } } : done;
  },
};
