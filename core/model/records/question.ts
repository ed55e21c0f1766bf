import { z } from "zod/mini";
import { commentField, countField, decimalField, idField, recordKeyField } from "./fields";

/** Characters of an answer that is compared with a key. */
const SHORT = 500;

/** How an answer is judged: by a key, or by hand. */
const keySchema = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("choice"),
    options: z
      .array(z.string().check(z.trim(), z.minLength(1), z.maxLength(SHORT)))
      .check(z.minLength(2), z.maxLength(12)),
    /** Places of the right options, from 0. */
    right: z.array(z.int().check(z.minimum(0), z.maximum(11))).check(z.minLength(1), z.maxLength(12)),
    /** Whether a part of several right ones earns a part of the points. */
    partial: z.boolean(),
  }),
  z.object({
    kind: z.literal("numeric"),
    /** A number as typed, such as `287` or `1.2e-3`. */
    value: z.string().check(z.maxLength(60)),
    tolerance: z.string().check(z.maxLength(60)),
    /** The tolerance as a difference, or in percent of the value. */
    toleranceIn: z.enum(["units", "percent"]),
  }),
  z.object({
    kind: z.literal("short"),
    accepted: z
      .array(z.string().check(z.trim(), z.minLength(1), z.maxLength(SHORT)))
      .check(z.minLength(1), z.maxLength(50)),
  }),
  z.object({ kind: z.literal("written") }),
]);
/** How an answer is judged. */
export type AnswerKey = z.infer<typeof keySchema>;

/** A question of an assignment that is handed in as answers. */
export const questionSchema = z.object({
  id: idField("question"),
  assignmentId: idField("assignment"),
  order: countField,
  prompt: z.string().check(z.trim(), z.minLength(1), z.maxLength(5_000)),
  points: decimalField,
  key: keySchema,
});
/** A question of an assignment that is handed in as answers. */
export type Question = z.infer<typeof questionSchema>;

/** One student's answer to one question; the id is `assignment/student/question`. */
export const answerSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  questionId: idField("question"),
  /** As it was given; options as their letters, `A` or `A, C`. */
  text: commentField,
  /** Given by hand; it stands before what the key would give. */
  points: z.nullable(decimalField),
  comment: commentField,
});
/** One student's answer to one question, in points. */
export type Answer = z.infer<typeof answerSchema>;
