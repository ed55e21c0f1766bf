import { z } from "zod/mini";
import { idField, recordKeyField } from "./fields";

/** That something odd was looked at and may stay; the id is `assignment/what it is about`. */
export const asideSchema = z.object({
  id: recordKeyField.check(z.maxLength(400)),
  assignmentId: idField("assignment"),
  /** Whom it names, all of them: with one of them it goes. */
  studentIds: z.array(idField("student")).check(z.maxLength(5_000)),
  /** What it rested on: with other figures it is no longer set aside. */
  basis: z.string().check(z.maxLength(2_000)),
  /** Why, in a word of the person who looked. */
  word: z.string().check(z.trim(), z.maxLength(500)),
});
