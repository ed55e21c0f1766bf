import { z } from "zod/mini";
import { commentField, idField, instantField } from "./fields";

/** One post of a discussion: a beginning, or an answer to another post. */
export const postSchema = z.object({
  id: idField("post"),
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  replyTo: z.nullable(idField("post")),
  at: z.nullable(instantField),
  text: commentField,
});
/** One post of a discussion. */
export type Post = z.infer<typeof postSchema>;
