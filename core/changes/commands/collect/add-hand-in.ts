import { z } from "zod/mini";
import { fileSchema, ownHandInOf, idField, instantField, resultKey } from "#core/model";
import type { CommandKind } from "../../engine/change";
import { finish, paperAt, put } from "../../engine/command-parts";
import { noLongerMissing } from "./no-longer-missing";

const input = z.object({
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  at: z.nullable(instantField),
  /** Already kept by storage under their ids; empty for work on paper. */
  files: z.array(fileSchema).check(z.maxLength(50)),
});

/** Records a hand-in as the next attempt of a student. */
export const addHandIn: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { assignmentId, studentId, at, files }) => {
    const paper = paperAt(state, { assignmentId, studentId });
    if (!paper.ok) return paper;
    const attempts = ownHandInOf(state, assignmentId, studentId)?.attempts ?? [];
    // Numbers are never used again, also where an attempt was discarded.
    const attempt = { number: (attempts.at(-1)?.number ?? 0) + 1, at, files };
    const record = {
      id: resultKey(assignmentId, studentId),
      assignmentId,
      studentId,
      attempts: [...attempts, attempt],
    };
    const words = files.length === 0 ? "handed in on paper" : `handed in ${files.map((file) => file.name).join(", ")}`;
    return finish(
      `${paper.value.title}: ${words}`,
      put(state, "handIns", record),
      ...noLongerMissing(state, [{ assignmentId, studentId }]),
    );
  },
};
