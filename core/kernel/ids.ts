declare const kind: unique symbol;
/** An id that carries its kind in its type and in its text, as `student:7`. */
export type Id<K extends string> = string & { readonly [kind]: K };

/** The id of a section. */
export type SectionId = Id<"section">;
/** The id of a student. */
export type StudentId = Id<"student">;
/** The id of a marker. */
export type MarkerId = Id<"marker">;
/** The id of a category. */
export type CategoryId = Id<"category">;
/** The id of a assignment. */
export type AssignmentId = Id<"assignment">;
/** The id of a rubric. */
export type RubricId = Id<"rubric">;
/** The id of a criterion. */
export type CriterionId = Id<"criterion">;
/** The id of a level of a criterion or a scale. */
export type LevelId = Id<"level">;
/** The id of a file. */
export type FileId = Id<"file">;
/** The id of a term. */
export type TermId = Id<"term">;
/** The id of a scale. */
export type ScaleId = Id<"scale">;
/** The id of a post. */
export type PostId = Id<"post">;
/** The id of a question. */
export type QuestionId = Id<"question">;
/** The id of a change. */
export type ChangeId = Id<"change">;

declare const instantBrand: unique symbol;
/** A moment, as RFC 3339 text in UTC: `2026-10-23T16:00:00.000Z`. */
export type Instant = string & { readonly [instantBrand]: true };

/** Milliseconds since 1970 of a moment that has passed the schema. */
export const milliseconds = (instant: Instant): number => Date.parse(instant);
