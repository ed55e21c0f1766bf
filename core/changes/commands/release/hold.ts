import { z } from "zod/mini";
import { atOnce, refuse } from "#core/kernel";
import { idField, resultOf, studentsOf } from "#core/model";
import type { CommandKind, SteppedKind } from "../../engine/change";
import { assignmentAt, finish, paperAt, put } from "../../engine/command-parts";
import { withTotals } from "./totals-follow";

const reason = z.optional(z.string().check(z.trim(), z.maxLength(500)));
const because = (words: string | undefined) => (words ? `: ${words}` : "");

const assignmentInput = z.object({ assignmentId: idField("assignment"), held: z.boolean(), reason });

/** Holds a whole assignment, for moderation or a board, or lets it go: while it is held nothing of it is visible. */
export const holdAssignment: SteppedKind<z.infer<typeof assignmentInput>> = {
  input: assignmentInput,
  *prepareInSteps(state, { assignmentId, held, reason: why }, { at }) {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const heldReason = held ? (why ?? found.value.heldReason) : "";
    const words = held ? `held${because(why) || " for moderation"}` : "no longer held";
    const patch = put(state, "assignments", { ...found.value, held, heldReason });
    const everyone = studentsOf(state).map(({ id }) => id);
    return finish(`${found.value.name}: ${words}`, ...(yield* withTotals(state, [patch], at, everyone)));
  },
};

const resultInput = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  held: z.boolean(),
  reason,
});

/** Holds back one student's result, or lets it go. */
export const holdResult: CommandKind<z.infer<typeof resultInput>> = {
  input: resultInput,
  prepare: (state, { held, reason: why, ...where }, { at }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const result = resultOf(state, where.assignmentId, where.studentId);
    if (result.held === held && (why ?? result.heldReason) === result.heldReason) {
      return refuse({ code: "nothing_to_change" });
    }
    const heldReason = held ? (why ?? result.heldReason) : "";
    const words = held ? `held back${because(why)}` : "no longer held back";
    const patch = put(state, "results", { ...result, held, heldReason });
    return finish(`${paper.value.title}: ${words}`, ...atOnce(withTotals(state, [patch], at, [where.studentId])));
  },
};
