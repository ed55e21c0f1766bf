import { z } from "zod/mini";
import { refuse } from "#core/kernel";
import { fileSchema, idField, resultOf } from "#core/model";
import type { CommandKind } from "../../engine/change";
import { finish, paperAt, put } from "../../engine/command-parts";

const place = { assignmentId: idField("assignment"), studentId: idField("student") };

const addInput = z.object({ ...place, file: fileSchema });

/** Puts a file beside the overall comment: a page, a picture, sound or video. Its bytes are kept by storage already. */
export const addFeedbackFile: CommandKind<z.infer<typeof addInput>> = {
  input: addInput,
  prepare: (state, { file, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const result = resultOf(state, where.assignmentId, where.studentId);
    const feedbackFiles = [...result.feedbackFiles, file];
    return finish(
      `${paper.value.title}: ${file.name} as feedback`,
      put(state, "results", { ...result, feedbackFiles }),
    );
  },
};

const removeInput = z.object({ ...place, fileId: idField("file") });

/** Takes a file off the feedback; its bytes stay kept, so that undoing brings it back. */
export const removeFeedbackFile: CommandKind<z.infer<typeof removeInput>> = {
  input: removeInput,
  prepare: (state, { fileId, ...where }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const result = resultOf(state, where.assignmentId, where.studentId);
    const file = result.feedbackFiles.find(({ id }) => id === fileId);
    if (!file) return refuse({ code: "unknown_record", what: "file", id: fileId });
    const feedbackFiles = result.feedbackFiles.filter(({ id }) => id !== fileId);
    return finish(
      `${paper.value.title}: ${file.name} taken off the feedback`,
      put(state, "results", { ...result, feedbackFiles }),
    );
  },
};
