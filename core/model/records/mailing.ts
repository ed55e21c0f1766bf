import { z } from "zod/mini";
import { commentField, idField, instantField, recordKeyField } from "./fields";

/** A letter that was mailed to one student; it is never edited. */
export const mailSchema = z.object({
  id: idField("mail"),
  studentId: idField("student"),
  kind: z.enum(["results", "reminder"]),
  /** The address it was written to; empty where the roster had none. */
  to: z.string().check(z.maxLength(320)),
  subject: z.string().check(z.maxLength(300)),
  body: commentField,
  at: instantField,
  by: idField("marker"),
  /** When the student opened it in the student window. */
  openedAt: z.nullable(instantField),
});
/** A letter that was mailed to one student. */
export type Mail = z.infer<typeof mailSchema>;

/** What an opening is of: one assignment's letter, or the totals. */
export const TOTALS_LETTER = "totals";

/** When a student opened a part of what they were given; the id is `assignment/student` or `totals/student`. */
export const openingSchema = z.object({
  id: recordKeyField,
  studentId: idField("student"),
  /** From the first to the last, at most a hundred: of more, the newest. */
  times: z.array(instantField).check(z.minLength(1), z.maxLength(100)),
});
/** When a student opened a part of what they were given. */
export type Opening = z.infer<typeof openingSchema>;

/** Copies that left the application as files or by post: from then on they count as seen. */
export const deliverySchema = z.object({
  id: idField("delivery"),
  at: instantField,
  by: idField("marker"),
  how: z.enum(["files", "post"]),
  locked: z.boolean(),
  studentIds: z.array(idField("student")).check(z.minLength(1), z.maxLength(5_000)),
});
/** Copies that left the application. */
export type Delivery = z.infer<typeof deliverySchema>;

/** Final grades as they were exported, kept to be compared with later figures. */
export const gradeExportSchema = z.object({
  id: idField("export"),
  at: instantField,
  by: idField("marker"),
  grades: z
    .array(
      z.object({
        studentId: idField("student"),
        number: z.string(),
        name: z.string(),
        percent: z.nullable(z.string()),
        letter: z.nullable(z.string()),
        /** The totals of the terms, in percent, where the course had terms. */
        terms: z.optional(z.array(z.object({ name: z.string(), percent: z.nullable(z.string()) }))),
      }),
    )
    .check(z.maxLength(5_000)),
});
/** Final grades as they were exported. */
export type GradeExport = z.infer<typeof gradeExportSchema>;
