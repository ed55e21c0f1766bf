import type { Result } from "#core/kernel";
import { findStudents, studentsOf, type Assignment, type CourseState, type Student } from "#core/model";
import type { ChangeIssue } from "../../engine/change";
import { understand } from "./typed-entry";

/** A line of pile entry, understood: whom it means, what to enter, and a comment. */
export interface PileLine {
  /** Students the name part finds, best first. */
  readonly students: readonly Student[];
  /** How many of them fit equally well. */
  readonly best: number;
  /** The name part as typed. */
  readonly who: string;
  /** The entry in the language of the gradebook; empty while only a name is typed. */
  readonly text: string;
  /** The overall comment behind a colon; null where there is none. */
  readonly comment: string | null;
  /** Why the last word is not an entry, where a name and something else were typed. */
  readonly trouble: ChangeIssue | null;
}

/**
 * Reads a line of pile entry: part of a name or number, the score, and how late: `mor 18 l2`. Behind a colon stands a
 * comment: `mor 18: good sketch`. The entry is the longest end of the line that the gradebook would take.
 */
export function readPileLine(state: CourseState, assignment: Assignment, line: string): PileLine {
  const colon = line.indexOf(":");
  const comment = colon < 0 ? null : line.slice(colon + 1).trim();
  const words = (colon < 0 ? line : line.slice(0, colon)).trim().split(/\s+/).filter(Boolean);
  const roster = studentsOf(state);
  const read = (text: string): Result<unknown, ChangeIssue> => understand(state, assignment, text);
  const from = words.findIndex((_, index) => index > 0 && read(words.slice(index).join(" ")).ok);
  const whole = findStudents(roster, words.join(" "));
  // A whole name may end in a word that is also an entry, such as a student called "Max L".
  const split = from < 0 || (whole.best === 1 && isWholeName(whole.students[0], words)) ? words.length : from;
  const who = words.slice(0, split).join(" ");
  const text = words.slice(split).join(" ");
  const found = split === words.length ? whole : findStudents(roster, who);
  if (found.students.length > 0 || words.length < 2) return { ...found, who, text, comment, trouble: null };
  const last = words.at(-1) ?? "";
  const name = words.slice(0, -1).join(" ");
  const refused = read(last);
  return { ...findStudents(roster, name), who: name, text: "", comment, trouble: refused.ok ? null : refused.issue };
}

const isWholeName = (student: Student | undefined, words: readonly string[]): boolean =>
  student !== undefined && `${student.givenName} ${student.familyName}`.toLowerCase() === words.join(" ").toLowerCase();
