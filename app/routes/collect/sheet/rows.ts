import { canConfirm } from "../../../ui/words/words";
import type {
  ColumnMeaning,
  LetterRead,
  SheetCellPreview,
  SheetEntryIssue,
  SheetHead,
  SheetPreview,
} from "#core/formats";
import { resultKey, rosterName, type Assignment, type CourseState } from "#core/model";
import type { ChangeIssue } from "#core/changes";
import { counted } from "#core/words";
import { issueWords, pastedRowWords } from "../../../ui/words/words";
import { inMark } from "../../../ui/words/figures";

/** A line of what a sheet would do. */
export interface SheetLine {
  readonly key: string;
  /** The row of the sheet, from 1. */
  readonly place: number;
  readonly student: string;
  readonly assignment: string;
  readonly before: string;
  readonly after: string;
  readonly comment: string;
  readonly what: "new" | "changed" | "same" | "asks" | "refused" | "changed here" | "nobody";
  readonly why: string;
}

const ENTRY_ISSUES: Readonly<Record<SheetEntryIssue["code"], (issue: SheetEntryIssue) => string>> = {
  other_maximum: (issue) =>
    `${issue.text}: the assignment has ${"maximum" in issue ? issue.maximum : ""} points. Put the column right, or type the points.`,
  comma_unclear: ({ text }) => `${text}: decimals or thousands? Write it as the course writes decimals.`,
  formula_error: ({ text }) => `${text}: its formula failed in the spreadsheet. Mend it there, or type the points.`,
};

const isEntryIssue = (issue: ChangeIssue | SheetEntryIssue): issue is SheetEntryIssue => issue.code in ENTRY_ISSUES;
const wordsOf = (issue: ChangeIssue | SheetEntryIssue): string =>
  isEntryIssue(issue) ? ENTRY_ISSUES[issue.code](issue) : issueWords(issue);

/** What a sheet would do, line by line, in the order of its rows. */
export function sheetLines(state: CourseState, { rows }: SheetPreview): SheetLine[] {
  return rows.flatMap(({ place, student, issue, cells }) => {
    if (!student) {
      const why = issue ? pastedRowWords(issue) : "";
      return [{ ...BLANK, key: `row ${String(place)}`, place, what: "nobody" as const, why }];
    }
    const name = rosterName(state, student);
    return cells.map((cell) => ({
      ...BLANK,
      key: resultKey(cell.assignmentId, student.id),
      place,
      student: name,
      assignment: state.assignments[cell.assignmentId]?.name ?? "",
      before: cell.before,
      comment: cell.comment ?? "",
      ...outcomeOf(cell),
    }));
  });
}

const BLANK = { student: "", assignment: "", before: "", after: "", comment: "", why: "" } as const;

function outcomeOf({ outcome, comment }: SheetCellPreview): Pick<SheetLine, "what" | "after" | "why"> {
  switch (outcome.kind) {
    case "new":
      return { what: "new", after: outcome.after, why: "" };
    case "changes":
      return { what: "changed", after: outcome.after, why: "" };
    case "same":
      return { what: comment === null ? "same" : "changed", after: "", why: "" };
    case "changedHere":
      return {
        what: "changed here",
        after: outcome.after,
        why: `it was ${outcome.left || "empty"} when the sheet left`,
      };
    case "asks":
      return { what: "asks", after: "", why: askWords(outcome.why) };
    case "refused":
      return { what: "refused", after: "", why: wordsOf(outcome.why) };
  }
}

function askWords(why: ChangeIssue | LetterRead): string {
  if (why.code === "letter_read") return `${why.letter} begins at ${inMark(why.from)} %: taken in as that`;
  return canConfirm(why) ? issueWords(why) : "";
}

/** How much of each there is, in words; what there is none of is left out. */
export function summary(lines: readonly SheetLine[], absent: number): string {
  const count = (what: SheetLine["what"]) => lines.filter((line) => line.what === what).length;
  const told: readonly (readonly [count: number, words: string])[] = [
    [count("new"), "new"],
    [count("changed"), "changed"],
    [count("same"), "the same"],
    [count("changed here"), "changed here too"],
    [count("asks"), "unusual"],
    [count("refused"), "refused"],
  ];
  const nobody = count("nobody");
  return [
    ...told.flatMap(([number, words]) => (number > 0 ? [`${String(number)} ${words}`] : [])),
    ...(nobody > 0 ? [`${counted(nobody, "row")} of nobody in the course`] : []),
    ...(absent > 0 ? [`${counted(absent, "student")} not in it: untouched`] : []),
  ].join(" · ");
}

const WHO = {
  nothing: "not taken",
  number: "student number",
  name: "name",
  given: "given name",
  family: "family name",
  email: "e-mail",
  section: "section",
} as const;

/** What a column may hold, as a choice offers it. */
export const meaningOptions = (assignments: readonly Assignment[]) => [
  ...Object.entries(WHO),
  {
    heading: "Scores of",
    options: assignments.map(({ id, name }) => [`score ${id}`, name] as const),
  },
  {
    heading: "Comments on",
    options: assignments.map(({ id, name }) => [`comment ${id}`, `${name}, comment`] as const),
  },
];

export const meaningKey = (meaning: ColumnMeaning): string =>
  "assignmentId" in meaning ? `${meaning.kind} ${meaning.assignmentId}` : meaning.kind;

/** A head in which one column was put right; another that held the same then holds nothing. */
export function withMeaning(head: SheetHead, place: number, key: string): SheetHead {
  const [kind = "nothing", id] = key.split(" ");
  const meaning = (id ? { kind, assignmentId: id } : { kind }) as ColumnMeaning;
  return {
    ...head,
    columns: head.columns.map((column, at) => {
      if (at === place) return { ...column, meaning };
      return key !== "nothing" && meaningKey(column.meaning) === key
        ? { ...column, meaning: { kind: "nothing" } }
        : column;
    }),
  };
}
