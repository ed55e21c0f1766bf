import { z } from "zod/mini";
import { packetHeadSchema } from "./packet";
import { countField, decimalField, idField, instantField, nameField } from "./fields";

/** What late work costs (handbook, section 2.4). Percentages are of the base. */
const lateRuleSchema = z.object({
  ratePercent: decimalField,
  /** Started stretches of `unitHours`, or calendar days of the course's time zone: the midnights passed. */
  unit: z.enum(["hours", "calendarDay"]),
  /** Length of the unit of lateness in hours; a started unit counts whole. 24 for calendar days, for its name only. */
  unitHours: z.int().check(z.minimum(1), z.maximum(168)),
  /** What the rate is a share of: the maximum, the score, or what is left after each unit. */
  base: z.enum(["maximum", "score", "compound"]),
  capPercent: z.nullable(decimalField),
  floorPercent: z.nullable(decimalField),
  graceMinutes: countField,
  /** Inside the grace nothing is late; after it lateness counts from the due time, or from the end of the grace. */
  graceKind: z.enum(["threshold", "shift"]),
});
/** What late work costs. */
export type LateRule = z.infer<typeof lateRuleSchema>;

/** A band of the letter scale: its letter and its inclusive lower bound in percent. */
const bandSchema = z.object({ letter: nameField, from: decimalField });
/** A band of the letter scale. */
export type Band = z.infer<typeof bandSchema>;

/** A course with the rules of its figures. Percentages are of 100. */
export const courseSchema = z.object({
  id: idField("course"),
  title: nameField,
  shortTitle: nameField,
  institution: z.string().check(z.maxLength(200)),
  /** IANA time zone in which due times are read and shown. */
  timeZone: z.string().check(z.minLength(1)),
  origin: z.enum(["demo", "own"]),
  createdAt: instantField,
  /** The marker who works with this copy of the application. */
  markerId: idField("marker"),
  totals: z.enum(["weighted", "points"]),
  lateRule: z.nullable(lateRuleSchema),
  /** Share of the maximum that missing work counts; null: nothing until decided. */
  missingPercent: z.nullable(decimalField),
  letters: z.array(bandSchema),
  passMark: decimalField,
  percentPlaces: z.int().check(z.minimum(0), z.maximum(4)),
  /** Letters and the pass mark are compared with the figure as displayed, or with the exact one (section 6). */
  lettersCompare: z.enum(["displayed", "exact"]),
  /** A weighted category with nothing counted leaves the total, or counts as 0 (section 5). */
  emptyCategories: z.enum(["leftOut", "zero"]),
  /** The course total never passes 100 %. */
  capAtHundred: z.boolean(),
  /** What totals shown to students rest on (section 8). */
  totalsRestOn: z.enum(["released", "all"]),
  /** Findings before a release that stop it, by their codes; others are only pointed out. */
  releaseStops: z.array(z.string().check(z.maxLength(40))).check(z.maxLength(40)),
  /** Findings that would stop a release by themselves and do not in this course, by their codes. */
  releasePasses: z.array(z.string().check(z.maxLength(40))).check(z.maxLength(40)),
  /** How students are listed and sorted: `Bram Oduya`, or `Oduya, Bram`. Who is spoken to is always called by both. */
  namesBy: z.enum(["given", "family"]),
  /** What stands before the decimals of a figure, on screen and in what leaves as text. Both are read where one types. */
  decimalMark: z.enum(["point", "comma"]),
  /** What the first figure of a date such as `3/10` is. Dates are shown with the name of the month, whatever is chosen. */
  dateOrder: z.enum(["day", "month"]),
  /** What this course is a packet of; null for a course of its own. */
  packet: z.nullable(packetHeadSchema),
});
/** A course with the rules of its figures. */
export type Course = z.infer<typeof courseSchema>;

/** How a course writes the decimals of its figures. */
export type DecimalMark = Course["decimalMark"];
/** How a course reads dates that are all figures. */
export type DateOrder = Course["dateOrder"];

/** The rules a course starts with where nothing else is said. */
export const COURSE_DEFAULTS = {
  lettersCompare: "displayed",
  emptyCategories: "leftOut",
  capAtHundred: false,
  totalsRestOn: "released",
  releaseStops: [],
  releasePasses: [],
  namesBy: "given",
  decimalMark: "point",
  dateOrder: "day",
  packet: null,
} satisfies Partial<Course>;

/** A part of the course with dates and a weight of its own; assignments belong to it by their due date. */
export const termSchema = z.object({
  id: idField("term"),
  name: nameField,
  weight: decimalField,
  startsAt: instantField,
  /** The first moment that is not part of the term. */
  endsAt: instantField,
  order: countField,
});
/** A part of the course with dates and a weight. */
export type Term = z.infer<typeof termSchema>;
