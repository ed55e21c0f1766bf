import { z } from "zod/mini";
import { idField, instantField, recordKeyField } from "./fields";

/** What a packet is for: a second judgement beside the first, or the scores themselves of a part of a class. */
const purposeField = z.enum(["second", "scores"]);

/** What the course of a packet says of where it comes from. */
export const packetHeadSchema = z.object({
  id: idField("packet"),
  courseId: idField("course"),
  purpose: purposeField,
  /** Without names, and without what was judged before. */
  blind: z.boolean(),
});

/** A part of the course that was handed to another marker. */
export const packetSchema = z.object({
  id: idField("packet"),
  assignmentId: idField("assignment"),
  markerId: idField("marker"),
  purpose: purposeField,
  blind: z.boolean(),
  madeAt: instantField,
  /** The papers, each with the id by which the packet calls its student: the same, or blind another one. */
  papers: z
    .array(z.object({ studentId: idField("student"), code: idField("student") }))
    .check(z.minLength(1), z.maxLength(5_000)),
  /** Files and groups that the packet calls otherwise. */
  renamed: z.array(z.object({ id: recordKeyField, code: recordKeyField })).check(z.maxLength(50_000)),
  /** When it was taken back, and how far the packet's own journal went by then. */
  taken: z
    .array(z.object({ at: instantField, seq: z.int().check(z.minimum(1)), changeId: idField("change") }))
    .check(z.maxLength(500)),
});
/** A part of the course that was handed to another marker. */
export type Packet = z.infer<typeof packetSchema>;
