import { z } from "zod/mini";
import { commentField, countField, idField, nameField } from "./fields";

/** A section of the roster. */
export const sectionSchema = z.object({ id: idField("section"), name: nameField, order: countField });
/** A section of the roster. */
export type Section = z.infer<typeof sectionSchema>;

/** Someone who marks. */
export const markerSchema = z.object({ id: idField("marker"), name: nameField });
/** A student of the roster. The number is the institution's own. */
export const studentSchema = z.object({
  id: idField("student"),
  number: nameField,
  givenName: nameField,
  familyName: z.string().check(z.maxLength(200)),
  sectionId: z.nullable(idField("section")),
  /** What instructors keep in mind about this student; never part of a student copy. */
  note: commentField,
  /** Where their post goes; empty where it is not known. */
  email: z.string().check(z.trim(), z.maxLength(320)),
  /** Has left the course: kept with all that is known of them, and in no list and no figure of the class. */
  left: z.boolean(),
});
/** A student of the roster. */
export type Student = z.infer<typeof studentSchema>;

/** What a student is where nothing else is said. */
export const STUDENT_DEFAULTS = { note: "", email: "", left: false } as const satisfies Partial<Student>;

/** Given name and family name, without a space at the end. */
export const fullName = (student: Student): string => `${student.givenName} ${student.familyName}`.trim();

/** Two letters for the pile: `IT` for Ilse Tarnowe, `OS` for a single name Oskar. */
export function initials(student: Student): string {
  const first = [...student.givenName][0] ?? "";
  const second = [...(student.familyName || student.givenName.slice(1))][0] ?? "";
  return (first + second).toUpperCase();
}

/** Which part of a name comes first in lists. */
export type NamesBy = "given" | "family";

/** The name as it stands in a list: `Bram Oduya`, or by family name `Oduya, Bram`; a single name stays as it is. */
export const listName = (student: Student, by: NamesBy): string =>
  by === "family" && student.familyName !== "" ? `${student.familyName}, ${student.givenName}` : fullName(student);

const collator = new Intl.Collator("en");

/** Order of the roster, by the name as it is listed. */
export const byName =
  (by: NamesBy) =>
  (a: Student, b: Student): number =>
    collator.compare(listName(a, by), listName(b, by)) || (a.id < b.id ? -1 : 1);
