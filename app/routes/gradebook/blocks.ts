import { entryText, previewCells, type CellPreview, type EntryCell } from "#core/changes";
import { readBlock, writeBlock } from "#core/formats";
import { fullName, type CourseState } from "#core/model";
import { unusualWords } from "../../ui/words";
import type { GradeTable } from "./rows";
import { boundsOf, placesFrom, placesIn, type Selection } from "./selection";

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
      row.map(({ assignmentId, studentId }) => entryText(state, assignmentId, studentId)),
    ),
  );

/** Works out what pasting would do from the upper left cell of a selection on; one cell fills the whole selection. */
export function pastePlan(state: CourseState, table: GradeTable, selection: Selection, text: string): BlockPlan {
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
  return planOfCells(state, "pasted", "Paste", cells, given - cells.length);
}

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
      who: student ? fullName(student) : "",
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
  };
}

/** The cells of a plan that can be entered; unusual ones only when they are wanted. */
export function cellsToEnter(plan: BlockPlan, withAsked: boolean): EntryCell[] {
  const left = new Set([...plan.refused, ...(withAsked ? [] : plan.asks)].map(({ cell }) => cell));
  return plan.cells.filter((cell) => !left.has(cell));
}
