import { z } from "zod/mini";
import { fileSchema } from "./file";
import { countField, decimalField, idField, instantField, nameField } from "./fields";
import { MOST_ZONES, zoneSchema } from "./zone";

/** A part of the course total; weights in percent. */
export const categorySchema = z.object({
  id: idField("category"),
  name: nameField,
  /** Share of the course total in percent; null where categories only organise. */
  weight: z.nullable(decimalField),
  order: countField,
  /** The category this one is part of; it counts there as one item. */
  parentId: z.nullable(idField("category")),
  /** How its items make one figure (section 4). */
  method: z.enum(["pooled", "mean", "median", "best"]),
  keep: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("all") }),
    z.object({ kind: z.literal("dropLowest"), count: z.int().check(z.minimum(1), z.maximum(500)) }),
    z.object({ kind: z.literal("keepBest"), count: z.int().check(z.minimum(1), z.maximum(500)) }),
  ]),
  /** Pure gain: its weight stays outside the denominator. */
  bonus: z.boolean(),
  /** An exam category can stand as a term of its own, with this weight; null where it does not. */
  termWeight: z.nullable(decimalField),
});
/** A part of the course total. */
export type Category = z.infer<typeof categorySchema>;

/** What a category is where nothing else is said: pooled points, nothing dropped. */
export const CATEGORY_DEFAULTS = {
  parentId: null,
  method: "pooled",
  keep: { kind: "all" },
  bonus: false,
  termWeight: null,
} as const satisfies Partial<Category>;

/** A scale of words: pass and not yet, attainment levels, or words that count nowhere. */
export const scaleSchema = z.object({
  id: idField("scale"),
  name: nameField,
  kind: z.enum(["passNotYet", "attainment", "words"]),
  /** From the highest to the lowest. `percent` is the share of the assignment's points; null counts nowhere. */
  levels: z
    .array(z.object({ id: idField("level"), name: nameField, percent: z.nullable(decimalField) }))
    .check(z.minLength(1), z.maxLength(20)),
});
/** A scale of levels. */
export type Scale = z.infer<typeof scaleSchema>;

/** A change of a whole assignment's scores, kept beside the scores it rests on (section 10). */
export const scalingSchema = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("add"), points: decimalField }),
  /** The straight line through two points: score `x1` becomes `y1`, score `x2` becomes `y2`. */
  z.object({
    kind: z.literal("linear"),
    x1: decimalField,
    y1: decimalField,
    x2: decimalField,
    y2: decimalField,
  }),
  z.object({ kind: z.literal("squareRoot") }),
  /** 50 + 10 (score - mean) / deviation, with the figures of the class at the time it was scaled. */
  z.object({ kind: z.literal("tScore"), mean: decimalField, deviation: decimalField }),
]);
/** A change of a whole assignment's scores. */
export type Scaling = z.infer<typeof scalingSchema>;

/** How work is handed in. */
export const CHANNELS = ["file", "text", "link", "paper", "discussion", "answers", "nothing"] as const;

/** One piece of work to be judged; `points` is its maximum. */
export const assignmentSchema = z.object({
  id: idField("assignment"),
  name: nameField,
  shortName: nameField,
  categoryId: idField("category"),
  /** The maximum; 0 for bonus work. */
  points: decimalField,
  /** When students get it; never after it is due. */
  givenAt: z.nullable(instantField),
  dueAt: z.nullable(instantField),
  /** How it is handed in; `nothing`: a figure carried over from elsewhere. */
  channel: z.enum(CHANNELS),
  /** Points are pure gain: they enter the numerator only. */
  bonus: z.boolean(),
  /** A score above the maximum needs no asking. */
  aboveAllowed: z.boolean(),
  rubricId: z.nullable(idField("rubric")),
  order: countField,
  /** What students are asked to do. */
  task: z.string().check(z.maxLength(20_000)),
  /** Enters the totals. */
  counts: z.boolean(),
  /** Is never dropped. */
  alwaysCounts: z.boolean(),
  /** How a score is given: in points, in percent of the points, or as a level of a scale. */
  scoredIn: z.discriminatedUnion("kind", [
    z.object({ kind: z.literal("points") }),
    z.object({ kind: z.literal("percent") }),
    z.object({ kind: z.literal("scale"), scaleId: idField("scale") }),
  ]),
  /** Which attempt counts where attempts are scored one by one. */
  countedAttempt: z.enum(["last", "first", "best", "mean"]),
  scaling: z.nullable(scalingSchema),
  /** What students are to know beside the task. */
  note: z.string().check(z.maxLength(2_000)),
  /** Files that go with the task. */
  files: z.array(fileSchema).check(z.maxLength(50)),
  /** How many attempts may be handed in; null: as many as they like. */
  attemptsAllowed: z.nullable(z.int().check(z.minimum(1), z.maximum(50))),
  /** Done alone or in groups. */
  grouping: z.enum(["alone", "groups"]),
  /** A second rubric that records attainment of outcomes and never enters the score. */
  outcomeRubricId: z.nullable(idField("rubric")),
  /** A short scale on which an outcome is given beside the points. */
  outcomeScaleId: z.nullable(idField("scale")),
  /** Students do not see that it exists; nothing of it is visible, whatever its seals say. */
  hidden: z.boolean(),
  /** Students may read the rubric before anything is released. */
  showsRubric: z.boolean(),
  /** Held for moderation: nothing of it is visible, whatever its seals say. */
  held: z.boolean(),
  /** Why it is held, for those who mark: a board that has not met. */
  heldReason: z.string().check(z.maxLength(500)),
  /** Where on its papers each criterion is answered. */
  zones: z.array(zoneSchema).check(z.maxLength(MOST_ZONES)),
});
/** One piece of work to be judged. */
export type Assignment = z.infer<typeof assignmentSchema>;

/** What an assignment is where nothing else is said: it counts, in points, the last attempt. */
export const ASSIGNMENT_DEFAULTS: Omit<
  Assignment,
  | "id"
  | "name"
  | "shortName"
  | "categoryId"
  | "points"
  | "dueAt"
  | "channel"
  | "bonus"
  | "aboveAllowed"
  | "rubricId"
  | "order"
  | "task"
> = {
  givenAt: null,
  counts: true,
  alwaysCounts: false,
  scoredIn: { kind: "points" },
  countedAttempt: "last",
  scaling: null,
  note: "",
  files: [],
  attemptsAllowed: null,
  grouping: "alone",
  outcomeRubricId: null,
  outcomeScaleId: null,
  hidden: false,
  showsRubric: false,
  held: false,
  heldReason: "",
  zones: [],
};

const levelSchema = z.object({
  id: idField("level"),
  name: nameField,
  min: decimalField,
  max: decimalField,
  descriptor: z.string().check(z.maxLength(2_000)),
});
/** A level of a criterion, with its range in points, both ends included. */
export type Level = z.infer<typeof levelSchema>;

const criterionSchema = z.object({
  id: idField("criterion"),
  name: nameField,
  /** From the lowest level to the highest. */
  levels: z.array(levelSchema).check(z.minLength(1), z.maxLength(9)),
  step: decimalField,
  /** A level given without a passage of the work is pointed out. */
  asksEvidence: z.boolean(),
  /** Its share where criteria are weighted; null where the rubric adds points. */
  weight: z.nullable(decimalField),
});
/** What every criterion had before it could have more. */
export const CRITERION_DEFAULTS = { asksEvidence: false } as const;
/** A criterion with its levels from the lowest to the highest. */
export type Criterion = z.infer<typeof criterionSchema>;

/** A rubric of at least one criterion. */
export const rubricSchema = z.object({
  id: idField("rubric"),
  name: nameField,
  criteria: z.array(criterionSchema).check(z.minLength(1), z.maxLength(9)),
  /** Which points of a level are proposed when it is chosen. */
  proposal: z.enum(["top", "middle", "bottom"]),
  /** The score, or attainment that never enters a score (section 3). */
  purpose: z.enum(["score", "outcomes"]),
  /** Scaled to the assignment's points, or taken as it is. */
  scaled: z.boolean(),
});
/** A rubric of at least one criterion. */
export type Rubric = z.infer<typeof rubricSchema>;
