import Papa from "papaparse";
import { pointsText, roundToText } from "#core/kernel";
import {
  assignmentsOf,
  courseOf,
  listName,
  namesBy,
  studentsOf,
  type CourseState,
  type DecimalMark,
} from "#core/model";
import { figuresOf } from "#core/totals";
import { withMark } from "#core/words";

/** A cell of a table: text, or a figure that stays a figure. */
export type Cell = { readonly text: string } | { readonly figure: string };

/** First characters that a spreadsheet takes for the start of a formula (general security practice). */
const FORMULA_START = /^[=+\-@\t\r]/;

/** Text that a spreadsheet would run, with an apostrophe in front. */
export const withoutFormula = (text: string): string => (FORMULA_START.test(text) ? `'${text}` : text);

const guarded = (cell: Cell, mark: DecimalMark): string =>
  "figure" in cell ? withMark(cell.figure, mark) : withoutFormula(cell.text);

/**
 * Writes RFC 4180: CRLF between records, fields quoted where they need it. Where decimals stand behind a comma, a semicolon
 * parts the fields, as spreadsheet programs of those places expect (common practice, no source).
 */
export const writeCsv = (rows: readonly (readonly Cell[])[], mark: DecimalMark = "point"): string =>
  Papa.unparse(
    rows.map((row) => row.map((cell) => guarded(cell, mark))),
    { newline: "\r\n", delimiter: mark === "comma" ? ";" : "," },
  ) + "\r\n";

/** The scores of a course: one row per student, one column per assignment with its counted value, then the total. */
export function scoresCsv(state: CourseState): string {
  const course = courseOf(state);
  const assignments = assignmentsOf(state);
  const { figure, totals } = figuresOf(state);
  const text = (value: string): Cell => ({ text: value });
  const head = [
    "Student number",
    "Name",
    "Section",
    ...assignments.map((assignment) => `${assignment.name} (of ${assignment.points})`),
    "Course total (%)",
    "Letter",
  ].map(text);
  const rows = studentsOf(state).map((student): Cell[] => {
    const total = totals(student.id);
    return [
      text(student.number),
      text(listName(student, namesBy(state))),
      text(student.sectionId ? (state.sections[student.sectionId]?.name ?? "") : ""),
      ...assignments.map((assignment): Cell => {
        const { standing, counted } = figure(assignment.id, student.id);
        if (standing === "excused") return text("excused");
        if (counted) return { figure: pointsText(counted) };
        return text(standing === "missing" ? "missing" : "");
      }),
      total.now ? { figure: roundToText(total.now, course.percentPlaces) } : text(""),
      text(total.letter ?? ""),
    ];
  });
  return writeCsv([head, ...rows], course.decimalMark);
}
