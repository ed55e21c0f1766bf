import { z } from "zod";
import { commentField, idField, instantField } from "./fields";

/** One post of a discussion: a beginning, or an answer to another post. */
export const postSchema = z.object({
  id: idField("post"),
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  replyTo: idField("post").nullable(),
  at: instantField.nullable(),
  text: commentField,
});
/** One post of a discussion. */
export type Post = z.infer<typeof postSchema>;
