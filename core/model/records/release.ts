import { z } from "zod/mini";
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
    sectionId: z.nullable(idField("section")),
    studentIds: z.nullable(z.array(idField("student")).check(z.maxLength(5_000))),
  })
  .check(
    z.refine(({ sectionId, studentIds }) => (sectionId === null) !== (studentIds === null), {
      message: "a section, or students",
    }),
  );
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
  at: z.nullable(instantField),
  /** Moments for parts of the class, whatever the state for the rest. */
  waves: z.array(waveSchema).check(z.maxLength(200)),
});
/** What every seal had before it could have moments for parts of the class. */
export const RELEASE_DEFAULTS = { waves: [] } as const;
/** The seal of one facet of one assignment. */
export type Release = z.infer<typeof releaseSchema>;

/** The seal of a total; the id is `course`, a category or a term. No record means sealed. */
export const totalSealSchema = z.object({
  id: recordKeyField.check(z.maxLength(100)),
  state: z.enum(["sealed", "timed", "released"]),
  at: z.nullable(instantField),
  /** The figure itself, or only its letter. */
  shows: z.enum(["percent", "letter"]),
});
/** The seal of a total. */
export type TotalSeal = z.infer<typeof totalSealSchema>;

const scoreCopySchema = z.object({
  standing: z.enum(["expected", "handedIn", "missing", "excused"]),
  points: z.nullable(decimalField),
  /** A level that says all there is, such as pass or not yet; null where there are points. */
  level: z.nullable(z.string()),
  /** The same figure as a fraction, `114/205`: totals rest on it, never on what is displayed. */
  exact: z.nullable(fractionField),
  maximum: decimalField,
  beforeDeduction: z.nullable(decimalField),
  unitsLate: z.number(),
});

const rubricCopySchema = z.object({
  rows: z.array(
    z.object({
      criterionId: idField("criterion"),
      name: z.string(),
      points: z.nullable(decimalField),
      maximum: decimalField,
      level: z.nullable(z.string()),
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
      points: z.nullable(decimalField),
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
    z.extend(z.omit(noteSchema, { by: true, createdAt: true, forGroup: true }), {
      criterionName: z.nullable(z.string()),
    }),
  ),
});

const outcomesCopySchema = z.object({
  /** Each outcome judged on the paper; no points, for they are no part of the score. */
  rows: z.array(
    z.object({
      criterionId: idField("criterion"),
      name: z.string(),
      level: z.nullable(z.string()),
      descriptor: z.string(),
      comment: z.string(),
    }),
  ),
  /** The level given on a scale beside the points. */
  attainment: z.nullable(z.object({ scale: z.string(), level: z.string() })),
});

/** Figures of the class on one assignment, in points as displayed. They are given out over enough students only. */
const classFiguresCopySchema = z.object({
  students: z.int().check(z.minimum(1)),
  mean: z.string(),
  median: z.string(),
  maximum: decimalField,
});

const stamped = <S extends z.core.$ZodShape>(schema: z.ZodMiniObject<S>) =>
  z.nullable(z.object({ at: instantField, content: schema }));

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
  z.extend(z.pick(scoreCopySchema, { standing: true, points: true, maximum: true }), {
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
  told: z.nullable(toldSchema),
  /** Assignments and totals that must be open for the text to be read: what is sealed again takes it away. */
  rests: z.array(z.string()),
});
const totalPartSchema = z.extend(totalLineSchema, {
  /** Its share in the total, in percent; null where it has none of its own. */
  weight: z.nullable(z.string()),
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
