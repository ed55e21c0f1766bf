import { z } from "zod";
import { decimalField, fractionField, idField, instantField, recordKeyField } from "./fields";
import { fileSchema } from "./file";
import { noteSchema } from "./work";

/** The parts of a result that are released by themselves. */
export const facetSchema = z.enum(["score", "rubric", "comments", "outcomes", "classFigures"]);
/** A part of a result that is released by itself. */
export type Facet = z.infer<typeof facetSchema>;
/** All facets, in the order they are listed. */
export const FACETS: readonly Facet[] = facetSchema.options;

/** A moment at which a facet goes out to a part of the class: a section, or some students. */
const waveSchema = z
  .object({
    at: instantField,
    sectionId: idField("section").nullable(),
    studentIds: z.array(idField("student")).max(5_000).nullable(),
  })
  .refine(({ sectionId, studentIds }) => (sectionId === null) !== (studentIds === null), {
    message: "a section, or students",
  });
/** A moment at which a facet goes out to a part of the class. */
export type Wave = z.infer<typeof waveSchema>;

/**
 * The seal of one facet of one assignment; the id is `assignment/facet`. No record means sealed. Who has been given the
 * facet is told by the fixed copies: under a broken seal, only students with a copy see anything.
 */
export const releaseSchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  facet: facetSchema,
  state: z.enum(["sealed", "timed", "released"]),
  /** When it was released, or from when on it is to be. */
  at: instantField.nullable(),
  /** Moments for parts of the class, whatever the state for the rest. */
  waves: z.array(waveSchema).max(200),
});
/** What every seal had before it could have moments for parts of the class. */
export const RELEASE_DEFAULTS = { waves: [] } as const;
/** The seal of one facet of one assignment. */
export type Release = z.infer<typeof releaseSchema>;

/** The seal of a total; the id is `course`, a category or a term. No record means sealed. */
export const totalSealSchema = z.object({
  id: recordKeyField.max(100),
  state: z.enum(["sealed", "timed", "released"]),
  at: instantField.nullable(),
  /** The figure itself, or only its letter. */
  shows: z.enum(["percent", "letter"]),
});
/** The seal of a total. */
export type TotalSeal = z.infer<typeof totalSealSchema>;

const scoreCopySchema = z.object({
  standing: z.enum(["expected", "handedIn", "missing", "excused"]),
  points: decimalField.nullable(),
  /** A level that says all there is, such as pass or not yet; null where there are points. */
  level: z.string().nullable(),
  /** The same figure as a fraction, `114/205`: totals rest on it, never on what is displayed. */
  exact: fractionField.nullable(),
  maximum: decimalField,
  beforeDeduction: decimalField.nullable(),
  unitsLate: z.number(),
});

const rubricCopySchema = z.object({
  rows: z.array(
    z.object({
      criterionId: idField("criterion"),
      name: z.string(),
      points: decimalField.nullable(),
      maximum: decimalField,
      level: z.string().nullable(),
      descriptor: z.string(),
      notApplicable: z.boolean(),
    }),
  ),
  /** Each question with the answer that was given. */
  answers: z.array(
    z.object({
      questionId: idField("question"),
      prompt: z.string(),
      text: z.string(),
      points: decimalField.nullable(),
      maximum: decimalField,
      comment: z.string(),
    }),
  ),
});

const commentsCopySchema = z.object({
  overall: z.string(),
  criteria: z.array(z.object({ criterionId: idField("criterion"), name: z.string(), comment: z.string() })),
  files: z.array(fileSchema),
  /** Files that go with the overall comment. */
  attachments: z.array(fileSchema),
  notes: z.array(
    noteSchema.omit({ by: true, createdAt: true, forGroup: true }).extend({ criterionName: z.string().nullable() }),
  ),
});

const outcomesCopySchema = z.object({
  /** Each outcome judged on the paper; no points, for they are no part of the score. */
  rows: z.array(
    z.object({
      criterionId: idField("criterion"),
      name: z.string(),
      level: z.string().nullable(),
      descriptor: z.string(),
      comment: z.string(),
    }),
  ),
  /** The level given on a scale beside the points. */
  attainment: z.object({ scale: z.string(), level: z.string() }).nullable(),
});

/** Figures of the class on one assignment, in points as displayed. They are given out over enough students only. */
const classFiguresCopySchema = z.object({
  students: z.number().int().min(1),
  mean: z.string(),
  median: z.string(),
  maximum: decimalField,
});

const stamped = <S extends z.ZodRawShape>(schema: z.ZodObject<S>) =>
  z.object({ at: instantField, content: schema }).nullable();

/** What one student was given of one assignment, fixed when it was released; the id is `assignment/student`. */
export const copySchema = z.object({
  id: recordKeyField,
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  score: stamped(scoreCopySchema),
  rubric: stamped(rubricCopySchema),
  comments: stamped(commentsCopySchema),
  outcomes: stamped(outcomesCopySchema),
  classFigures: stamped(classFiguresCopySchema),
  /** The assignment's name when it was last given out; empty in copies older than that. */
  name: z.string(),
});
/** What one student was given of one assignment. */
export type StudentCopy = z.infer<typeof copySchema>;
/** The score as it was given out. Figures in points. */
export type ScoreCopy = z.infer<typeof scoreCopySchema>;
/** The rubric detail as it was given out. Figures in points. */
export type RubricCopy = z.infer<typeof rubricCopySchema>;
/** Notes and comments as they were given out. */
export type CommentsCopy = z.infer<typeof commentsCopySchema>;
/** Attainment of outcomes as it was given out. */
export type OutcomesCopy = z.infer<typeof outcomesCopySchema>;
/** The figures of the class as they were given out. */
export type ClassFiguresCopy = z.infer<typeof classFiguresCopySchema>;

const toldSchema = z.discriminatedUnion("kind", [
  /** A score as it was given; `dropped` where it enters nothing. */
  scoreCopySchema.pick({ standing: true, points: true, maximum: true }).extend({
    kind: z.literal("score"),
    dropped: z.boolean(),
  }),
  /** A figure in percent, with the course's places. */
  z.object({ kind: z.literal("percent"), percent: z.string() }),
  /** What was given out before figures were kept as such. */
  z.object({ kind: z.literal("words"), text: z.string() }),
]);
/** What one line in the account of a total tells. */
export type Told = z.infer<typeof toldSchema>;

/** One line of how a total came about; `told` is null where the student has not been given the figure. */
const totalLineSchema = z.object({
  name: z.string(),
  told: toldSchema.nullable(),
  /** Assignments and totals that must be open for the text to be read: what is sealed again takes it away. */
  rests: z.array(z.string()),
});
const totalPartSchema = totalLineSchema.extend({
  /** Its share in the total, in percent; null where it has none of its own. */
  weight: z.string().nullable(),
  items: z.array(totalLineSchema),
});

const totalCopySchema = z.object({
  /** `course`, a category or a term. */
  id: recordKeyField,
  name: z.string(),
  /** The figure with the course's places, or the letter alone. */
  text: z.string(),
  shows: z.enum(["percent", "letter"]),
  /** It rests on sealed work too, which the lines below do not tell. */
  restsOnSealed: z.boolean(),
  at: instantField,
  parts: z.array(totalPartSchema),
});
/** One total as it was given out, with how it came about as far as the student may know. */
export type TotalCopy = z.infer<typeof totalCopySchema>;

/** The totals one student was given, fixed when they were given; the id is the student's. */
export const totalCopiesSchema = z.object({ id: idField("student"), totals: z.array(totalCopySchema) });
/** The totals one student was given. */
export type TotalCopies = z.infer<typeof totalCopiesSchema>;
