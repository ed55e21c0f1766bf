declare const kind: unique symbol;
/** An id that carries its kind in its type and in its text, as `student:7`. */
export type Id<K extends string> = string & { readonly [kind]: K };

export type CourseId = Id<"course">;
export type SectionId = Id<"section">;
export type StudentId = Id<"student">;
export type MarkerId = Id<"marker">;
export type CategoryId = Id<"category">;
export type AssignmentId = Id<"assignment">;
export type RubricId = Id<"rubric">;
export type CriterionId = Id<"criterion">;
export type LevelId = Id<"level">;
export type FileId = Id<"file">;
export type TermId = Id<"term">;
export type ScaleId = Id<"scale">;
export type GroupId = Id<"group">;
export type NoteId = Id<"note">;
export type ChangeId = Id<"change">;

declare const instantBrand: unique symbol;
/** A moment, as RFC 3339 text in UTC: `2026-10-23T16:00:00.000Z`. */
export type Instant = string & { readonly [instantBrand]: true };

/** Milliseconds since 1970 of a moment that has passed the schema. */
export const milliseconds = (instant: Instant): number => Date.parse(instant);
