import { z } from "zod";
import { countField, decimalField, idField, instantField, nameField } from "./fields";

export const categorySchema = z.object({
  id: idField("category"),
  name: nameField,
  /** Share of the course total in percent; null where categories only organise. */
  weight: decimalField.nullable(),
  order: countField,
});
export type Category = z.infer<typeof categorySchema>;

export const assignmentSchema = z.object({
  id: idField("assignment"),
  name: nameField,
  shortName: nameField,
  categoryId: idField("category"),
  /** The maximum; 0 for bonus work. */
  points: decimalField,
  dueAt: instantField.nullable(),
  channel: z.enum(["online", "paper"]),
  /** Points are pure gain: they enter the numerator only. */
  bonus: z.boolean(),
  /** A score above the maximum needs no asking. */
  aboveAllowed: z.boolean(),
  rubricId: idField("rubric").nullable(),
  order: countField,
  /** What students are asked to do. */
  task: z.string().max(20_000),
});
export type Assignment = z.infer<typeof assignmentSchema>;

const levelSchema = z.object({
  id: idField("level"),
  name: nameField,
  min: decimalField,
  max: decimalField,
  descriptor: z.string().max(2_000),
});
export type Level = z.infer<typeof levelSchema>;

const criterionSchema = z.object({
  id: idField("criterion"),
  name: nameField,
  /** From the lowest level to the highest. */
  levels: z.array(levelSchema).min(1).max(9),
  step: decimalField,
});
export type Criterion = z.infer<typeof criterionSchema>;

export const rubricSchema = z.object({
  id: idField("rubric"),
  name: nameField,
  criteria: z.array(criterionSchema).min(1).max(9),
  /** Which points of a level are proposed when it is chosen. */
  proposal: z.enum(["top", "middle", "bottom"]),
});
export type Rubric = z.infer<typeof rubricSchema>;
