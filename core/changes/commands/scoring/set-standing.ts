import { z } from "zod/mini";
import type { StudentId } from "#core/kernel";
import { commentField, idField, resultOf } from "#core/model";
import type { CommandKind } from "../../engine/change";
import { checkSeen, excerpt, finish, paperAt, put } from "../../engine/command-parts";
import { scopeOf, scopeTitle, wholeGroupField } from "./group-scope";

const place = { assignmentId: idField("assignment"), studentId: idField("student") };

const standingInput = z.object({
  ...place,
  decision: z.nullable(z.enum(["missing", "excused"])),
  /** The same decision takes itself back, as it stands when the command is carried out: a key pressed twice. */
  toggle: z.optional(z.boolean()),
});

/** Says that a student is missing or excused, or takes it back. */
export const setStanding: CommandKind<z.infer<typeof standingInput>> = {
  input: standingInput,
  prepare: (state, { decision: wanted, toggle = false, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const result = resultOf(state, where.assignmentId, where.studentId);
    const decision = toggle && result.decision === wanted ? null : wanted;
    return finish(
      `${paper.value.title}: ${decision ?? "standing taken back"}`,
      put(state, "results", { ...result, decision }),
    );
  },
};

const lateInput = z.object({ ...place, unitsLate: z.nullable(z.int().check(z.minimum(0), z.maximum(999))) });

/** Says how late a hand-in is, in units of the late rule; null goes back to what its time tells. */
export const setLateness: CommandKind<z.infer<typeof lateInput>> = {
  input: lateInput,
  prepare: (state, { unitsLate, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const result = resultOf(state, where.assignmentId, where.studentId);
    const words =
      unitsLate === null ? "lateness as handed in" : unitsLate === 0 ? "not late" : `late by ${String(unitsLate)}`;
    return finish(`${paper.value.title}: ${words}`, put(state, "results", { ...result, unitsLate }));
  },
};

const commentInput = z.object({
  ...place,
  facing: z.enum(["student", "private"]),
  text: commentField,
  seen: z.optional(z.string()),
  wholeGroup: wholeGroupField,
});

/** Writes the overall comment, or the private note that only instructors ever see. */
export const setComment: CommandKind<z.infer<typeof commentInput>> = {
  input: commentInput,
  prepare: (state, { facing, text, seen, wholeGroup, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const field = facing === "student" ? "overallComment" : "privateNote";
    const result = resultOf(state, where.assignmentId, where.studentId);
    const known = checkSeen(seen, result[field]);
    if (!known.ok) return known;
    const name = facing === "student" ? "overall comment" : "private note";
    const resultAt = (id: StudentId) => resultOf(state, where.assignmentId, id);
    const scope = scopeOf(state, where, wholeGroup, (mate) => ["", result[field]].includes(resultAt(mate)[field]));
    return finish(
      `${scopeTitle(state, paper.value, wholeGroup)}: ${name} "${excerpt(text)}"`,
      ...scope.map((id) => put(state, "results", { ...resultAt(id), [field]: text })),
    );
  },
};
