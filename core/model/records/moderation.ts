import { z } from "zod/mini";
import { commentField, decimalField, idField, recordKeyField } from "./fields";
import { noteSchema } from "./work";

/** How the papers of a sample were chosen; kept, so that it can be shown. */
const sampleSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("named") }),
  z.object({ kind: z.literal("all") }),
  z.object({ kind: z.literal("everyNth"), every: z.int().check(z.minimum(2), z.maximum(100)) }),
  /** The seed is kept: the same number chooses the same papers. */
  z.object({
    kind: z.literal("random"),
    count: z.int().check(z.minimum(1), z.maximum(5_000)),
    seed: z.int().check(z.minimum(1)),
  }),
  /** So many of each letter. */
  z.object({ kind: z.literal("byLetter"), each: z.int().check(z.minimum(1), z.maximum(100)) }),
  /** All within so many points of a letter's bound or the pass mark. */
  z.object({ kind: z.literal("nearBound"), within: decimalField }),
]);
/** How the papers of a sample were chosen. */
export type SampleWay = z.infer<typeof sampleSchema>;

/** What was settled of one paper: which figure stands, over which two it was decided, and why. */
const settledSchema = z.object({
  studentId: idField("student"),
  choice: z.enum(["first", "second", "mean", "other"]),
  points: decimalField,
  /** The two judgements as they were; with others the paper is open again. */
  first: decimalField,
  second: decimalField,
  reason: z.string().check(z.maxLength(500)),
});
/** What was settled of one paper. */
export type Settled = z.infer<typeof settledSchema>;

/** Second marking of one assignment; the id is the assignment's. Held from release until all of it is settled. */
export const moderationSchema = z.object({
  id: idField("assignment"),
  /** Who marks the sample a second time. */
  markerId: idField("marker"),
  way: sampleSchema,
  studentIds: z.array(idField("student")).check(z.maxLength(5_000)),
  /** The second marker sees neither names nor the first judgement. */
  blind: z.boolean(),
  /** Points two judgements may lie apart without being settled. */
  within: decimalField,
  settled: z.array(settledSchema).check(z.maxLength(5_000)),
});
/** Second marking of one assignment. */
export type Moderation = z.infer<typeof moderationSchema>;

/** A second judgement of one paper, kept beside the first and never over it; the id is `assignment/student/marker`. */
export const secondMarkSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  markerId: idField("marker"),
  judgements: z
    .array(
      z.object({
        criterionId: idField("criterion"),
        points: z.nullable(decimalField),
        notApplicable: z.boolean(),
        comment: commentField,
      }),
    )
    .check(z.maxLength(9)),
  /** Where there is no rubric, or where the marker gave one figure for the whole of it. */
  score: z.nullable(decimalField),
  comment: commentField,
  /** Remarks on the work that came back with a packet; they stand on no page that a student sees. */
  notes: z
    .array(z.omit(noteSchema, { assignmentId: true, studentId: true, forGroup: true, by: true }))
    .check(z.maxLength(500)),
});
/** What every second judgement had before it could have more. */
export const SECOND_MARK_DEFAULTS = { notes: [] } as const;
/** A second judgement of one paper. */
export type SecondMark = z.infer<typeof secondMarkSchema>;
