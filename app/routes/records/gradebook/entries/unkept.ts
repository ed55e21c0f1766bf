import type { AssignmentId, StudentId } from "#core/kernel";
import type { CellPlace } from "../grid/selection";

/** An entry that was typed into a cell and is not in the course; it stays in sight there until it is kept or let go. */
export interface Unkept {
  readonly text: string;
  /** Why it was refused; null where it was left without an answer, as by a reload. */
  readonly words: string | null;
}

/** All of them, by student, so that a row draws anew only when one of its own changes. */
export type UnkeptEntries = ReadonlyMap<StudentId, ReadonlyMap<AssignmentId, Unkept>>;

export const NOTHING_UNKEPT: UnkeptEntries = new Map();

/** The entries with another one in a cell, or with none there. */
export function withUnkept(
  entries: UnkeptEntries,
  { assignmentId, studentId }: CellPlace,
  unkept: Unkept | null,
): UnkeptEntries {
  const row = new Map(entries.get(studentId));
  if (unkept) row.set(assignmentId, unkept);
  else if (!row.delete(assignmentId)) return entries;
  const next = new Map(entries);
  if (row.size > 0) next.set(studentId, row);
  else next.delete(studentId);
  return next;
}

/** Their cells, in the order in which they came. */
export const unkeptPlaces = (entries: UnkeptEntries): readonly CellPlace[] =>
  [...entries].flatMap(([studentId, row]) => [...row.keys()].map((assignmentId) => ({ assignmentId, studentId })));

const BEGINNING = "cell/";

/** Where an entry lies among the drafts. Ids hold no slash. */
export const draftPlace = ({ assignmentId, studentId }: CellPlace): string =>
  `${BEGINNING}${assignmentId}/${studentId}`;

/** The entries a course's drafts hold, as far as their cells still exist. */
export function leftEntries(
  drafts: {
    readonly placesUnder: (beginning: string) => readonly string[];
    readonly at: (place: string) => { readonly value: unknown } | null;
  },
  isThere: (place: CellPlace) => boolean,
): UnkeptEntries {
  return drafts.placesUnder(BEGINNING).reduce((entries, key) => {
    const [assignmentId, studentId] = key.slice(BEGINNING.length).split("/") as [AssignmentId, StudentId];
    const text = drafts.at(key)?.value;
    const place = { assignmentId, studentId };
    return typeof text === "string" && isThere(place) ? withUnkept(entries, place, { text, words: null }) : entries;
  }, NOTHING_UNKEPT);
}
