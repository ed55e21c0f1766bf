import { entryText, previewCells, type CellPreview, type EntryCell } from "#core/changes";
import { readBlock, readPastedStudents, writeBlock, type PastedByStudent } from "#core/formats";
import { courseOf, fullName, plainText, rosterName, studentsOf, type CourseState } from "#core/model";
import { withMark } from "#core/words";
import { pastedRowWords, unusualWords } from "../../../../ui/words/words";
import type { GradeTable } from "../rows";
import { boundsOf, placesFrom, placesIn, type CellPlace, type Selection } from "../grid/selection";

/** What a pasted or filled block would do, before it is entered. */
export interface BlockPlan {
  readonly how: "pasted" | "filled" | "set missing";
  readonly title: string;
  readonly cells: readonly EntryCell[];
  readonly changes: number;
  readonly same: number;
  readonly asks: readonly BlockTrouble[];
  readonly refused: readonly BlockTrouble[];
  /** Cells of the clipboard that fall outside the table. */
  readonly outside: number;
  /** Whom each entry reaches, in words, as they stand in the clipboard. */
  readonly reach: readonly string[];
  /** Rows of the clipboard that mean nobody, in words. */
  readonly nobody: readonly string[];
  /** Columns of the clipboard that are no assignment here. */
  readonly leftOut: readonly string[];
  /** How the students were found. */
  readonly by: "position" | "number" | "name";
  /** More changes than the cells that are marked: it is looked at before it is entered. */
  readonly reachesFurther: boolean;
}

/** A cell that is not simply taken, and why. */
export interface BlockTrouble {
  readonly cell: EntryCell;
  readonly who: string;
  readonly work: string;
  readonly text: string;
  readonly words: string;
}

/** The selection as text for a spreadsheet: what stands in each cell in the entry language. */
export const copyText = (state: CourseState, table: GradeTable, selection: Selection): string =>
  writeBlock(
    placesIn(table, selection).map((row) =>
      row.map(({ assignmentId, studentId }) => {
        const entry = entryText(state, assignmentId, studentId);
        // A spreadsheet of the same place would take a point for a date.
        return entry.replace(/^\d+\.\d+/, (figure) => withMark(figure, courseOf(state).decimalMark));
      }),
    ),
  );

/**
 * Works out what a pasted block would do: by the numbers or names of students it holds, and otherwise, or where that is
 * wished, by its position.
 */
export function pastePlan(
  state: CourseState,
  table: GradeTable,
  selection: Selection,
  text: string,
  wish: "found" | "position" = "found",
): BlockPlan {
  const named = wish === "found" ? readPastedStudents(studentsOf(state), readBlock(text)) : null;
  return named ? namedPlan(state, table, selection, named) : positionPlan(state, table, selection, text);
}

/** A block by the students it names: its columns by their heads where those are assignments, else from the marked one on. */
function namedPlan(state: CourseState, table: GradeTable, selection: Selection, named: PastedByStudent): BlockPlan {
  const { head, rows, by } = named;
  const known = new Map(
    Object.values(state.assignments).flatMap(({ id, name, shortName }) => [
      [plainText(shortName), id],
      [plainText(name), id],
    ]),
  );
  const byHead = head?.map((title) => known.get(plainText(title.trim())));
  const hasHeads = byHead?.some((id) => id !== undefined) ?? false;
  const { left } = boundsOf(selection);
  const targets = (rows[0]?.cells ?? []).map((_, place) =>
    hasHeads ? byHead?.[place] : table.columns[left + place]?.assignmentId,
  );
  const cells = rows.flatMap(({ student, cells: texts }) =>
    texts.flatMap((text, place) => {
      const assignmentId = targets[place];
      if (!student || !assignmentId || (hasHeads && text === "")) return [];
      return [{ assignmentId, studentId: student.id, text, seen: entryText(state, assignmentId, student.id) }];
    }),
  );
  const lacking = targets.filter((id) => id === undefined).length;
  return {
    ...planOfCells(state, "pasted", "Paste", cells, hasHeads ? 0 : lacking * rows.length),
    nobody: rows.flatMap(({ issue }) => (issue ? [pastedRowWords(issue)] : [])),
    leftOut: hasHeads ? (head ?? []).filter((title, place) => targets[place] === undefined && title !== "") : [],
    by,
    reachesFurther: true,
  };
}

/** Works out what pasting would do from the upper left cell of a selection on; one cell fills the whole selection. */
function positionPlan(state: CourseState, table: GradeTable, selection: Selection, text: string): BlockPlan {
  const rows = readBlock(text);
  const { top, left, bottom, right } = boundsOf(selection);
  const only = rows.length === 1 && rows[0]?.length === 1 ? rows[0][0] : undefined;
  if (only !== undefined) return fillPlan(state, placesIn(table, selection).flat(), only, "pasted");
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  // A block goes into as many whole copies as the selection has room for, and at least one.
  const down = Math.max(1, Math.floor((bottom - top + 1) / Math.max(1, rows.length)));
  const across = Math.max(1, Math.floor((right - left + 1) / Math.max(1, width)));
  const height = rows.length * down;
  const places = placesFrom(table, top, left, height, width * across);
  const cells = places.flatMap((row, y) =>
    row.flatMap((place, x) => {
      const cell = rows[y % rows.length]?.[x % width];
      return cell === undefined
        ? []
        : [{ ...place, text: cell, seen: entryText(state, place.assignmentId, place.studentId) }];
    }),
  );
  const given = rows.reduce((sum, row) => sum + row.length, 0) * down * across;
  const marked = new Set(placesIn(table, selection).flat().map(cellKey));
  return {
    ...planOfCells(state, "pasted", "Paste", cells, given - cells.length),
    reachesFurther: cells.some((cell) => !marked.has(cellKey(cell))),
  };
}

const cellKey = ({ assignmentId, studentId }: CellPlace): string => `${assignmentId}/${studentId}`;

/** Works out what one entry in many cells would do. */
export function fillPlan(
  state: CourseState,
  places: readonly Pick<EntryCell, "assignmentId" | "studentId">[],
  text: string,
  how: BlockPlan["how"] = "filled",
): BlockPlan {
  const cells = places.map((place) => ({
    assignmentId: place.assignmentId,
    studentId: place.studentId,
    text,
    seen: entryText(state, place.assignmentId, place.studentId),
  }));
  return planOfCells(state, how, how === "set missing" ? "Missing" : "Fill", cells, 0);
}

function planOfCells(
  state: CourseState,
  how: BlockPlan["how"],
  title: string,
  cells: readonly EntryCell[],
  outside: number,
): BlockPlan {
  const previews = previewCells(state, cells);
  const of = (kind: CellPreview["outcome"]["kind"]) => previews.filter(({ outcome }) => outcome.kind === kind);
  const trouble = ({ cell, outcome }: CellPreview): BlockTrouble => {
    const student = state.students[cell.studentId];
    return {
      cell,
      who: student ? rosterName(state, student) : "",
      work: state.assignments[cell.assignmentId]?.shortName ?? "",
      text: cell.text,
      words: "why" in outcome ? unusualWords(outcome.why) : "",
    };
  };
  const asks = of("asks").map(trouble);
  const refused = of("refused").map(trouble);
  return {
    how,
    title,
    cells,
    changes: of("changes").length,
    same: of("same").length,
    asks,
    refused,
    outside,
    reach: reachOf(state, cells),
    nobody: [],
    leftOut: [],
    by: "position",
    reachesFurther: false,
  };
}

/** One line a student: the name, the number, and what stands for each assignment. */
function reachOf(state: CourseState, cells: readonly EntryCell[]): string[] {
  const lines = new Map<string, string[]>();
  for (const { studentId, assignmentId, text } of cells) {
    const entry = `${state.assignments[assignmentId]?.shortName ?? ""} ${text || "-"}`;
    lines.set(studentId, [...(lines.get(studentId) ?? []), entry]);
  }
  return [...lines].map(([id, entries]) => {
    const student = state.students[id];
    return `${student ? `${fullName(student)} ${student.number}` : ""}: ${entries.join(", ")}`;
  });
}

/** The cells of a plan that can be entered; unusual ones only when they are wanted. */
export function cellsToEnter(plan: BlockPlan, withAsked: boolean): EntryCell[] {
  const left = new Set([...plan.refused, ...(withAsked ? [] : plan.asks)].map(({ cell }) => cell));
  return plan.cells.filter((cell) => !left.has(cell));
}
