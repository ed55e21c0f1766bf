import { z } from "zod";
import { countField, decimalField, idField, instantField, nameField } from "./fields";

/** What late work costs (handbook, section 2.4). Percentages are of the base. */
const lateRuleSchema = z.object({
  ratePercent: decimalField,
  /** Length of the unit of lateness in hours; a started unit counts whole. */
  unitHours: z.number().int().min(1).max(168),
  /** What the rate is a share of: the maximum, the score, or what is left after each unit. */
  base: z.enum(["maximum", "score", "compound"]),
  capPercent: decimalField.nullable(),
  floorPercent: decimalField.nullable(),
  graceMinutes: countField,
  /** Inside the grace nothing is late; after it lateness counts from the due time, or from the end of the grace. */
  graceKind: z.enum(["threshold", "shift"]),
});
export type LateRule = z.infer<typeof lateRuleSchema>;

/** A band of the letter scale: its letter and its inclusive lower bound in percent. */
const bandSchema = z.object({ letter: nameField, from: decimalField });
export type Band = z.infer<typeof bandSchema>;

export const courseSchema = z.object({
  id: idField("course"),
  title: nameField,
  shortTitle: nameField,
  institution: z.string().max(200),
  /** IANA time zone in which due times are read and shown. */
  timeZone: z.string().min(1),
  origin: z.enum(["demo", "own"]),
  createdAt: instantField,
  /** The marker who works with this copy of the application. */
  markerId: idField("marker"),
  totals: z.enum(["weighted", "points"]),
  lateRule: lateRuleSchema.nullable(),
  /** Share of the maximum that missing work counts; null: nothing until decided. */
  missingPercent: decimalField.nullable(),
  letters: z.array(bandSchema),
  passMark: decimalField,
  percentPlaces: z.number().int().min(0).max(4),
});
export type Course = z.infer<typeof courseSchema>;
