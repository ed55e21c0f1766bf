import { z } from "zod";
import { fileSchema } from "./file";
import { commentField, countField, decimalField, idField, instantField, nameField, recordKeyField } from "./fields";
import { MOST_ZONES, zoneSchema } from "./zone";

const attemptSchema = z.object({
  number: z.number().int().min(1),
  at: instantField.nullable(),
  files: z.array(fileSchema),
});
/** One dated hand-in. */
export type Attempt = z.infer<typeof attemptSchema>;

/** All attempts of one student at one assignment; the id is `assignment/student`. */
export const handInSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  attempts: z.array(attemptSchema).min(1),
});
/** All attempts of one student at one assignment. */
export type HandIn = z.infer<typeof handInSchema>;

/** What is recorded of one student and one assignment; the id is `assignment/student`. */
export const resultSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  /** Said by the instructor; "handed in" and "expected" follow from the hand-in. */
  decision: z.enum(["missing", "excused"]).nullable(),
  /** A typed score; the late rule applies to it. */
  score: decimalField.nullable(),
  /** A figure that replaces the computed one and is untouched by the rules. */
  setByHand: decimalField.nullable(),
  /** Lateness in units of the late rule as said by the instructor; null: as the hand-in's time tells. */
  unitsLate: z.number().int().min(0).max(1_000).nullable(),
  /** A due time of the student's own, from which lateness counts, and why; null: the assignment's. */
  moreTime: z.object({ until: instantField, reason: z.string().max(500) }).nullable(),
  /** The scores of single attempts, where attempts are scored one by one; each attempt at most once. */
  attemptScores: z.array(z.object({ attempt: z.number().int().min(1), points: decimalField })).max(50),
  /** The level given on the assignment's scale. */
  levelId: idField("level").nullable(),
  /** The level given on the assignment's outcome scale, beside the score; it never enters a total. */
  outcomeLevelId: idField("level").nullable(),
  /** A member's own part of a group's score, in points, above or below 0. */
  adjustment: decimalField.nullable(),
  /** Held back one by one: nothing of this result is visible to the student. */
  held: z.boolean(),
  /** Why it is held back, for those who mark. */
  heldReason: z.string().max(500),
  overallComment: commentField,
  /** Files that go with the overall comment: a marked-up page, a recording. */
  feedbackFiles: z.array(fileSchema).max(50),
  privateNote: commentField,
  /** Where on this paper criteria are answered, where it lies otherwise than the rest. */
  zones: z.array(zoneSchema).max(MOST_ZONES),
});
/** What is recorded of one student and one assignment. Figures in points, or in percent where the assignment is scored so. */
export type ResultRecord = z.infer<typeof resultSchema>;

/** A group of one assignment; its score stands for every member who has none of their own. */
export const groupSchema = z.object({
  id: idField("group"),
  assignmentId: idField("assignment"),
  name: nameField,
  memberIds: z.array(idField("student")).max(100),
  score: decimalField.nullable(),
});
/** A group of one assignment. */
export type Group = z.infer<typeof groupSchema>;

/** The judgement of one criterion on one paper; the id is `assignment/student/criterion`. */
export const judgementSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  criterionId: idField("criterion"),
  points: decimalField.nullable(),
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
  page: z.number().int().min(1),
  start: countField,
  end: countField,
  exact: z.string().min(1).max(5_000),
  prefix: z.string().max(64),
  suffix: z.string().max(64),
});
/** A passage of a work by position and quote. */
export type Passage = z.infer<typeof passageSchema>;

/** A point on a page, in shares of its width and height from the upper left corner. */
const pointSchema = z.object({
  kind: z.literal("point"),
  page: z.number().int().min(1),
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
});

/** A share of a page's width or height, or of a pen's full pressure. */
const shareField = z.number().min(0).max(1);
/** One point of a stroke: x and y in shares of the page, and the pressure of the pen. */
const strokePointField = z.tuple([shareField, shareField, shareField]);

/** One stroke of a pen. */
export const strokeField = z.array(strokePointField).min(1).max(5_000);
/** One stroke of a pen: x, y and pressure of each point, in shares of the unturned page. */
export type Stroke = z.infer<typeof strokeField>;

const strokesSchema = z.object({
  kind: z.literal("strokes"),
  page: z.number().int().min(1),
  strokes: z.array(strokeField).min(1).max(500),
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
  criterionId: idField("criterion").nullable(),
  /** A colour chosen by hand. */
  colour: z.enum(NOTE_COLOURS).nullable(),
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
