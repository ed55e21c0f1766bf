import { z } from "zod/mini";
import { refuse, type Id } from "#core/kernel";
import { commentField, fileSchema, idField, messagesOf, type Message } from "#core/model";
import type { CommandKind } from "../../engine/change";
import { excerpt, finish, paperAt, put } from "../../engine/command-parts";

const place = { assignmentId: idField("assignment"), studentId: idField("student") };
const content = { text: commentField, files: z.array(fileSchema).check(z.maxLength(20)) };

const sendInput = z.object({ ...place, ...content });

const kindFrom = (from: Message["from"], words: string): CommandKind<z.infer<typeof sendInput>> => ({
  input: sendInput,
  prepare: (state, { text, files, ...where }, { at, by, fresh }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    if (text.trim() === "" && files.length === 0) return refuse({ code: "nothing_to_change" });
    const record: Message = {
      id: `message:${fresh()}` as Id<"message">,
      ...where,
      from,
      by: from === "marker" ? by : null,
      at,
      text: text.trim(),
      files,
      readAt: null,
    };
    return finish(`${paper.value.title}: ${words} "${excerpt(text)}"`, put(state, "messages", record));
  },
});

/** Writes to the student in the conversation on a paper. */
export const sendMessage = kindFrom("marker", "message");
/** A student's reply, as it comes in through the student window. It is theirs: the instructor's undo does not touch it. */
export const replyAsStudent = kindFrom("student", "reply from the student");

const readInput = z.object({ ...place, side: z.enum(["marker", "student"]) });

/** Notes that one side has read everything the other wrote. */
export const readMessages: CommandKind<z.infer<typeof readInput>> = {
  input: readInput,
  prepare: (state, { side, ...where }, { at }) => {
    const paper = paperAt(state, where);
    if (!paper.ok) return paper;
    const unread = messagesOf(state, where.assignmentId, where.studentId).filter(
      ({ from, readAt }) => from !== side && readAt === null,
    );
    return finish(
      `${paper.value.title}: messages read${side === "student" ? " by the student" : ""}`,
      ...unread.map((message) => put(state, "messages", { ...message, readAt: at })),
    );
  },
};
