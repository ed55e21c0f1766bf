import { z } from "zod/mini";
import { fileSchema } from "./file";
import { commentField, countField, decimalField, idField, instantField, nameField, recordKeyField } from "./fields";
import { MOST_ZONES, zoneSchema } from "./zone";

const attemptSchema = z.object({
  number: z.int().check(z.minimum(1)),
  at: z.nullable(instantField),
  files: z.array(fileSchema),
});
/** One dated hand-in. */
export type Attempt = z.infer<typeof attemptSchema>;

/** All attempts of one student at one assignment; the id is `assignment/student`. */
export const handInSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  attempts: z.array(attemptSchema).check(z.minLength(1)),
});
/** All attempts of one student at one assignment. */
export type HandIn = z.infer<typeof handInSchema>;

/** What is recorded of one student and one assignment; the id is `assignment/student`. */
export const resultSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  /** Said by the instructor; "handed in" and "expected" follow from the hand-in. */
  decision: z.nullable(z.enum(["missing", "excused"])),
  /** A typed score; the late rule applies to it. */
  score: z.nullable(decimalField),
  /** A figure that replaces the computed one and is untouched by the rules. */
  setByHand: z.nullable(decimalField),
  /** Lateness in units of the late rule as said by the instructor; null: as the hand-in's time tells. */
  unitsLate: z.nullable(z.int().check(z.minimum(0), z.maximum(1_000))),
  /** A due time of the student's own, from which lateness counts, and why; null: the assignment's. */
  moreTime: z.nullable(z.object({ until: instantField, reason: z.string().check(z.maxLength(500)) })),
  /** The scores of single attempts, where attempts are scored one by one; each attempt at most once. */
  attemptScores: z
    .array(z.object({ attempt: z.int().check(z.minimum(1)), points: decimalField }))
    .check(z.maxLength(50)),
  /** The level given on the assignment's scale. */
  levelId: z.nullable(idField("level")),
  /** The level given on the assignment's outcome scale, beside the score; it never enters a total. */
  outcomeLevelId: z.nullable(idField("level")),
  /** A member's own part of a group's score, in points, above or below 0. */
  adjustment: z.nullable(decimalField),
  /** Held back one by one: nothing of this result is visible to the student. */
  held: z.boolean(),
  /** Why it is held back, for those who mark. */
  heldReason: z.string().check(z.maxLength(500)),
  overallComment: commentField,
  /** Files that go with the overall comment: a marked-up page, a recording. */
  feedbackFiles: z.array(fileSchema).check(z.maxLength(50)),
  privateNote: commentField,
  /** Where on this paper criteria are answered, where it lies otherwise than the rest. */
  zones: z.array(zoneSchema).check(z.maxLength(MOST_ZONES)),
});
/** What is recorded of one student and one assignment. Figures in points, or in percent where the assignment is scored so. */
export type ResultRecord = z.infer<typeof resultSchema>;

/** A group of one assignment; its score stands for every member who has none of their own. */
export const groupSchema = z.object({
  id: idField("group"),
  assignmentId: idField("assignment"),
  name: nameField,
  memberIds: z.array(idField("student")).check(z.maxLength(100)),
  score: z.nullable(decimalField),
});
/** A group of one assignment. */
export type Group = z.infer<typeof groupSchema>;

/** The judgement of one criterion on one paper; the id is `assignment/student/criterion`. */
export const judgementSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  criterionId: idField("criterion"),
  points: z.nullable(decimalField),
  notApplicable: z.boolean(),
  comment: commentField,
  /** On this criterion, seen by instructors only, always. */
  privateNote: commentField,
});
/** The judgement of one criterion on one paper, in points. */
export type Judgement = z.infer<typeof judgementSchema>;

/**
 * A passage by position and quote, as TextPositionSelector and TextQuoteSelector of the W3C Web Annotation Data Model
 * (Recommendation, 23 February 2017). Positions count code points of the page's text from 0; `end` is the first outside.
 */
const passageSchema = z.object({
  kind: z.literal("passage"),
  page: z.int().check(z.minimum(1)),
  start: countField,
  end: countField,
  exact: z.string().check(z.minLength(1), z.maxLength(5_000)),
  prefix: z.string().check(z.maxLength(64)),
  suffix: z.string().check(z.maxLength(64)),
});
/** A passage of a work by position and quote. */
export type Passage = z.infer<typeof passageSchema>;

/** A point on a page, in shares of its width and height from the upper left corner. */
const pointSchema = z.object({
  kind: z.literal("point"),
  page: z.int().check(z.minimum(1)),
  x: z.number().check(z.minimum(0), z.maximum(1)),
  y: z.number().check(z.minimum(0), z.maximum(1)),
});

/** A share of a page's width or height, or of a pen's full pressure. */
const shareField = z.number().check(z.minimum(0), z.maximum(1));
/** One point of a stroke: x and y in shares of the page, and the pressure of the pen. */
const strokePointField = z.tuple([shareField, shareField, shareField]);

/** One stroke of a pen. */
export const strokeField = z.array(strokePointField).check(z.minLength(1), z.maxLength(5_000));
/** One stroke of a pen: x, y and pressure of each point, in shares of the unturned page. */
export type Stroke = z.infer<typeof strokeField>;

const strokesSchema = z.object({
  kind: z.literal("strokes"),
  page: z.int().check(z.minimum(1)),
  strokes: z.array(strokeField).check(z.minLength(1), z.maxLength(500)),
});
/** Colours a remark may be given by hand; without one it has the colour of its criterion or of its kind. */
export const NOTE_COLOURS = ["ink", "green", "wax", "ochre", "plum"] as const;

/** A note tied to a place in the work. */
export const noteSchema = z.object({
  id: idField("note"),
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  fileId: idField("file"),
  mark: z.enum(["highlight", "strikeout", "insertion", "pin", "text", "ink", "tick", "query"]),
  target: z.discriminatedUnion("kind", [passageSchema, pointSchema, strokesSchema]),
  /** The criterion this passage is evidence for. */
  criterionId: z.nullable(idField("criterion")),
  /** A colour chosen by hand. */
  colour: z.nullable(z.enum(NOTE_COLOURS)),
  body: commentField,
  /** For every member of the student's group, not for the one student alone. */
  forGroup: z.boolean(),
  createdAt: instantField,
  by: idField("marker"),
});
/** A note tied to a place in the work. */
export type Note = z.infer<typeof noteSchema>;
/** What kind of remark a note is. */
export type NoteMark = Note["mark"];
/** A colour chosen by hand. */
export type NoteColour = (typeof NOTE_COLOURS)[number];

/** What every judgement had before it could have more. */
export const JUDGEMENT_DEFAULTS = { privateNote: "" } as const;

/** What every note had before it could have more. */
export const NOTE_DEFAULTS = { colour: null, forGroup: false } as const;
