import type { AssignmentId } from "#core/kernel";
import { assignmentsOf, plainText, type Assignment, type CourseState } from "#core/model";
import { cellText, type Sheet, type SheetCell } from "./sheet";

/** What a column of a sheet holds. */
export type ColumnMeaning =
  | { readonly kind: "number" | "name" | "given" | "family" | "email" | "section" | "nothing" }
  | { readonly kind: "score" | "comment"; readonly assignmentId: AssignmentId };

/** The head row of a sheet, and what its columns hold. */
export interface SheetHead {
  /** Its place among the rows, from 0. */
  readonly row: number;
  readonly columns: readonly { readonly head: string; readonly meaning: ColumnMeaning }[];
}

/** Rows in which a head is looked for; a preamble is never longer. */
const LOOKED_AT = 40;

/** Words over columns, in the languages that sheets come in: common practice, no source. */
const WHO: readonly (readonly [kind: "number" | "name" | "given" | "family" | "email" | "section", words: RegExp])[] = [
  ["email", /\be-?mail|^mail\b/],
  ["given", /^(?:first|given)[ -]?names?$|^vorname$|^prenom$/],
  ["family", /^(?:last|family|sur)[ -]?names?$|^surname$|^nachname$|^nom de famille$/],
  ["number", /\b(?:student|matric\w*|candidate)?[ -]*(?:number|no\.?|nr\.?|id)$|^matrikel[- ]?(?:nr|nummer)?\.?$/],
  ["name", /^(?:student|name|full name|student name|name, first name|candidate)$/],
  ["section", /^(?:section|class|course group|group)$/],
];
const COMMENT = /\b(?:comments?|remarks?|feedback|kommentar|bemerkung)\b/;
/** What a sheet of ours says beside a score, and nobody types. */
const SAID_BESIDE = /\b(?:standing|late by)$/;
const SCORE = /\b(?:scores?|points?|marks?|results?|grades?|punkte|note)\b/;

/** A head without what says how much can be reached: `Essay (of 100)`, `Essay / 100`. */
const bare = (text: string): string =>
  plainText(text)
    .replace(/\(?\s*(?:of|out of|max\.?|\/)\s*\d+(?:[.,]\d+)?\s*(?:points|pts)?\s*\)?/g, " ")
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

/** The assignment that a head names, the one of the longest name where several are in it. */
function assignmentIn(text: string, assignments: readonly Assignment[]): Assignment | undefined {
  const head = ` ${bare(text)} `;
  return assignments
    .flatMap((assignment) => [assignment.name, assignment.shortName].map((name) => ({ assignment, name: bare(name) })))
    .filter(({ name }) => name !== "" && head.includes(` ${name} `))
    .sort((a, b) => b.name.length - a.name.length)[0]?.assignment;
}

/** What a head says of its column; `into` is the assignment that a column of scores without a name is for. */
function meaningOf(text: string, assignments: readonly Assignment[], into: AssignmentId | null): ColumnMeaning {
  const plain = plainText(text)
    .trim()
    .replace(/[\s_]+/g, " ");
  if (plain === "") return { kind: "nothing" };
  const named = assignmentIn(text, assignments);
  if (named && SAID_BESIDE.test(plain)) return { kind: "nothing" };
  if (named) return { kind: COMMENT.test(plain) ? "comment" : "score", assignmentId: named.id };
  const who = WHO.find(([, words]) => words.test(plain));
  if (who) return { kind: who[0] };
  if (into !== null && COMMENT.test(plain)) return { kind: "comment", assignmentId: into };
  if (into !== null && SCORE.test(plain)) return { kind: "score", assignmentId: into };
  return { kind: "nothing" };
}

const tellsWho = ({ kind }: ColumnMeaning): boolean =>
  kind === "number" || kind === "name" || kind === "email" || kind === "family";

/**
 * Finds the head row below whatever stands above it: the row in which most columns are understood, one of them telling who
 * a row is of. Of two columns for one thing the first one counts. Null where there is none.
 */
export function findHead(state: CourseState, { rows }: Sheet, into: AssignmentId | null): SheetHead | null {
  const assignments = assignmentsOf(state);
  const found = rows.slice(0, LOOKED_AT).map((cells, row) => {
    const columns = cells.map((cell) => {
      const head = cellText(cell);
      return { head, meaning: meaningOf(head, assignments, into) };
    });
    return {
      row,
      columns: onceEach(columns),
      known: columns.filter(({ meaning }) => meaning.kind !== "nothing").length,
    };
  });
  const best = found
    .filter(({ columns }) => columns.some(({ meaning }) => tellsWho(meaning)))
    .sort((a, b) => b.known - a.known || a.row - b.row)[0];
  return best ? { row: best.row, columns: best.columns } : null;
}

function onceEach(columns: SheetHead["columns"]): SheetHead["columns"] {
  const seen = new Set<string>();
  return columns.map((column) => {
    const key = JSON.stringify(column.meaning);
    if (column.meaning.kind === "nothing" || !seen.has(key)) {
      seen.add(key);
      return column;
    }
    return { ...column, meaning: { kind: "nothing" } };
  });
}

/** The cells of a row under the columns of one kind. */
export const under = (row: readonly SheetCell[], { columns }: SheetHead, kind: ColumnMeaning["kind"]): string =>
  cellText(row[columns.findIndex(({ meaning }) => meaning.kind === kind)]);
