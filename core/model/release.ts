import { z } from "zod";
import { decimalField, fractionField, idField, instantField } from "./fields";
import { fileSchema } from "./file";
import { noteSchema } from "./work";

/** The parts of a result that are released by themselves. */
export const facetSchema = z.enum(["score", "rubric", "comments"]);
/** A part of a result that is released by itself. */
export type Facet = z.infer<typeof facetSchema>;
/** All facets, in the order they are listed. */
export const FACETS: readonly Facet[] = facetSchema.options;

/** The seal of one facet of one assignment; the id is `assignment/facet`. No record means sealed. */
export const releaseSchema = z.object({
  id: z.string(),
  assignmentId: idField("assignment"),
  facet: facetSchema,
  state: z.enum(["sealed", "timed", "released"]),
  /** When it was released, or from when on it is to be. */
  at: instantField.nullable(),
});
/** The seal of one facet of one assignment. */
export type Release = z.infer<typeof releaseSchema>;

/** The seal of a total; the id is `course`, a category or a term. No record means sealed. */
export const totalSealSchema = z.object({
  id: z.string().min(1).max(100),
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

const stamped = <S extends z.ZodRawShape>(schema: z.ZodObject<S>) =>
  z.object({ at: instantField, content: schema }).nullable();

/** What one student was given of one assignment, fixed when it was released; the id is `assignment/student`. */
export const copySchema = z.object({
  id: z.string(),
  assignmentId: idField("assignment"),
  studentId: idField("student"),
  score: stamped(scoreCopySchema),
  rubric: stamped(rubricCopySchema),
  comments: stamped(commentsCopySchema),
});
/** What one student was given of one assignment. */
export type StudentCopy = z.infer<typeof copySchema>;
/** The score as it was given out. Figures in points. */
export type ScoreCopy = z.infer<typeof scoreCopySchema>;
/** The rubric detail as it was given out. Figures in points. */
export type RubricCopy = z.infer<typeof rubricCopySchema>;
/** Notes and comments as they were given out. */
export type CommentsCopy = z.infer<typeof commentsCopySchema>;
