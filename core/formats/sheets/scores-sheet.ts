import { entryText } from "#core/changes";
import { isDecimal, roundToText, type AssignmentId, type Instant } from "#core/kernel";
import {
  courseOf,
  listName,
  namesBy,
  resultKey,
  resultOf,
  studentsOf,
  type Assignment,
  type CourseState,
} from "#core/model";
import { figuresOf, type Figure } from "#core/totals";
import type { AsItLeft } from "./sheet-preview";
import { cellText, type Sheet, type SheetCell } from "./sheet";

/** The name of the sheet that says how the scores were when it left. */
const AS_IT_LEFT = "As it left";

/** Which columns a sheet has beside those that say who a row is of. */
export interface SheetWish {
  readonly assignmentIds: readonly AssignmentId[];
  readonly comments: boolean;
  readonly totals: boolean;
  readonly section: boolean;
  /** How each piece of work stands, and how late it came. */
  readonly standing: boolean;
}

/** An entry as a person reads it in a sheet; a plain figure stays a figure. */
function shown(entry: string): SheetCell {
  if (entry === "m") return "missing";
  if (entry === "x") return "excused";
  if (entry === "") return null;
  return isDecimal(entry) ? Number(entry) : entry;
}

/**
 * The scores of a class as a sheet, one row a student, to be filled in anywhere and brought back; and a second sheet that
 * says how they were, so that what changes here meanwhile is not overwritten.
 */
export function scoresSheets(state: CourseState, wish: SheetWish, at: Instant): readonly Sheet[] {
  const assignments = wish.assignmentIds.flatMap((id) => state.assignments[id] ?? []);
  const students = studentsOf(state);
  const { totals, figure } = figuresOf(state);
  const { percentPlaces } = courseOf(state);
  const head = [
    "Student number",
    "Name",
    ...(wish.section ? ["Section"] : []),
    ...assignments.flatMap((assignment) => headsOf(assignment, wish)),
    ...(wish.totals ? ["Course total (%)", "Letter"] : []),
  ];
  const rows = students.map((student): SheetCell[] => {
    const total = wish.totals ? totals(student.id) : null;
    return [
      student.number,
      listName(student, namesBy(state)),
      ...(wish.section ? [student.sectionId ? (state.sections[student.sectionId]?.name ?? null) : null] : []),
      ...assignments.flatMap(({ id }): SheetCell[] => [
        shown(entryText(state, id, student.id)),
        ...(wish.standing ? standingCells(figure(id, student.id)) : []),
        ...(wish.comments ? [resultOf(state, id, student.id).overallComment || null] : []),
      ]),
      ...(total ? [total.now ? Number(roundToText(total.now, percentPlaces)) : null, total.letter] : []),
    ];
  });
  const left = assignments.flatMap(({ id }) =>
    students.map((student): SheetCell[] => [id, student.id, entryText(state, id, student.id)]),
  );
  return [
    { name: "Scores", rows: [head, ...rows] },
    { name: AS_IT_LEFT, rows: [["assignment", "student", "entry", at], ...left] },
  ];
}

const STANDINGS: Readonly<Record<Figure["standing"], string>> = {
  expected: "expected",
  handedIn: "handed in",
  missing: "missing",
  excused: "excused",
};

/** How work stands in words, and the started units of the late rule; nothing where it came in time. */
const standingCells = ({ standing, unitsLate }: Figure): SheetCell[] => [
  STANDINGS[standing],
  unitsLate > 0 ? unitsLate : null,
];

const headsOf = ({ name, points, bonus }: Assignment, { comments, standing }: SheetWish): string[] => [
  bonus ? `${name} (bonus)` : `${name} (of ${points})`,
  ...(standing ? [`${name} standing`, `${name} late by`] : []),
  ...(comments ? [`${name} comment`] : []),
];

/** How the scores were when a sheet left; null where it does not say, as one that somebody else made. */
export function asItLeft(sheets: readonly Sheet[]): AsItLeft | null {
  const sheet = sheets.find(({ name }) => name === AS_IT_LEFT);
  if (!sheet) return null;
  return new Map(
    sheet.rows.slice(1).map((row) => {
      const [assignment, student, entry] = row.map(cellText);
      return [resultKey(assignment as AssignmentId, student as never), entry ?? ""] as const;
    }),
  );
}

/** The sheet that holds scores: the first that is not the record of how they were. */
export const scoresIn = (sheets: readonly Sheet[]): Sheet | undefined =>
  sheets.find(({ name, rows }) => name !== AS_IT_LEFT && rows.length > 0);
