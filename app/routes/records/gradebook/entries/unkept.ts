import type { AssignmentId, StudentId } from "#core/kernel";
import { isOutrun } from "../../../../ui/fields/outrun";
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

interface CellDrafts {
  readonly placesUnder: (beginning: string) => readonly string[];
  readonly at: (place: string) => { readonly value: unknown; readonly seen: unknown } | null;
}

/** What stands in a cell, as it would be typed; null where there is no such cell. */
type Present = (place: CellPlace) => string | null;

const cellOf = (key: string): CellPlace => {
  const [assignmentId, studentId] = key.slice(BEGINNING.length).split("/") as [AssignmentId, StudentId];
  return { assignmentId, studentId };
};

function isCellOutrun(drafts: CellDrafts, key: string, present: Present): boolean {
  const [draft, standing] = [drafts.at(key), present(cellOf(key))];
  return draft !== null && standing !== null && isOutrun(draft, standing);
}

/** Drafts of which nothing is left to keep: what goes on from them stands in their cells. */
export const outrunDrafts = (drafts: CellDrafts, present: Present): readonly string[] =>
  drafts.placesUnder(BEGINNING).filter((key) => isCellOutrun(drafts, key, present));

/** The entries a course's drafts hold, as far as their cells still exist and nothing that goes on from them was kept there. */
export const leftEntries = (drafts: CellDrafts, present: Present): UnkeptEntries =>
  drafts.placesUnder(BEGINNING).reduce((entries, key) => {
    const place = cellOf(key);
    const text = drafts.at(key)?.value;
    if (typeof text !== "string" || present(place) === null || isCellOutrun(drafts, key, present)) return entries;
    return withUnkept(entries, place, { text, words: null });
  }, NOTHING_UNKEPT);
