import { z } from "zod/mini";
import { commentField, idField } from "#core/model";
import { entryText } from "./entry-text";
import type { CommandKind } from "../../engine/change";
import { checkSeen, finish, paperAt, put } from "../../engine/command-parts";
import { readTyped } from "./typed-entry";

const input = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  /** The entry language of the gradebook. */
  text: z.string().check(z.maxLength(60)),
  /** The entry this screen showed before; left out where nothing was shown. */
  seen: z.optional(z.string()),
  /** The person was asked about an unusual value and keeps it. */
  confirmed: z.optional(z.boolean()),
  /** A comment to the student that comes with the entry; it follows what is written there already. */
  comment: z.optional(commentField),
});

/** Types a score, a lateness or a standing: `17.5`, `17.5 l2`, `m`, `x`, `-`; with outcomes `17.5 o32`. */
export const setScore: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { assignmentId, studentId, text, seen, confirmed = false, comment = "" }) => {
    const paper = paperAt(state, { assignmentId, studentId });
    if (!paper.ok) return paper;
    const known = checkSeen(seen, entryText(state, assignmentId, studentId));
    if (!known.ok) return known;
    const typed = readTyped(state, paper.value, text, confirmed);
    if (!typed.ok) return typed;
    const { result, judgements, line } = typed.value;
    if (comment === "") return finish(line, put(state, "results", result), ...judgements);
    const overallComment = [result.overallComment, comment].filter(Boolean).join("\n");
    return finish(`${line}, with a comment`, put(state, "results", { ...result, overallComment }), ...judgements);
  },
};
