import { z } from "zod/mini";
import { fileSchema } from "./file";
import { commentField, idField, instantField } from "./fields";

/** One message of the conversation on a paper; it is never edited. */
export const messageSchema = z.object({
  id: idField("message"),
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  from: z.enum(["marker", "student"]),
  /** Who wrote it, of those who mark; null for the student. */
  by: z.nullable(idField("marker")),
  at: instantField,
  text: commentField,
  files: z.array(fileSchema).check(z.maxLength(20)),
  /** When the other side read it; null while it is unread. */
  readAt: z.nullable(instantField),
});
/** One message of the conversation on a paper. */
export type Message = z.infer<typeof messageSchema>;
