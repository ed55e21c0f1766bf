import type { AssignmentId, StudentId } from "#core/kernel";
import type { GradeTable } from "../rows";

/** A cell of the grid by its row and column. */
export interface Place {
  readonly row: number;
  readonly column: number;
}

/** A rectangle of cells, from where it was begun to where it reaches; its marked cell is `to`. */
export interface Selection {
  readonly from: Place;
  readonly to: Place;
}

export const single = (place: Place): Selection => ({ from: place, to: place });

/** The rectangle with its corners in order. */
export function boundsOf({ from, to }: Selection) {
  return {
    top: Math.min(from.row, to.row),
    bottom: Math.max(from.row, to.row),
    left: Math.min(from.column, to.column),
    right: Math.max(from.column, to.column),
  };
}

export const isSingle = ({ from, to }: Selection): boolean => from.row === to.row && from.column === to.column;

/** A place kept inside a table of so many rows and columns. */
export const inside = ({ row, column }: Place, rows: number, columns: number): Place => ({
  row: Math.max(0, Math.min(rows - 1, row)),
  column: Math.max(0, Math.min(columns - 1, column)),
});

/** A cell named by its records. */
export interface CellPlace {
  readonly assignmentId: AssignmentId;
  readonly studentId: StudentId;
}

/** The cells of a rectangle that begins at its upper left corner, row by row; cells outside the table are left out. */
export function placesFrom(table: GradeTable, top: number, left: number, height: number, width: number): CellPlace[][] {
  return Array.from({ length: height }, (_, down) =>
    Array.from({ length: width }, (__, right) => {
      const student = table.students[top + down];
      const column = table.columns[left + right];
      return student && column ? [{ studentId: student.studentId, assignmentId: column.assignmentId }] : [];
    }).flat(),
  );
}

/** The cells of a selection, row by row. */
export function placesIn(table: GradeTable, selection: Selection): CellPlace[][] {
  const { top, bottom, left, right } = boundsOf(selection);
  return placesFrom(table, top, left, bottom - top + 1, right - left + 1);
}

/** The key of a cell's result. */
export const keyOfCell = ({ assignmentId, studentId }: CellPlace): string => `${assignmentId}/${studentId}`;

/** The records of a place in the table; null beside it. */
export function cellAt({ students, columns }: GradeTable, { row, column }: Place): CellPlace | null {
  const [student, assignment] = [students[row], columns[column]];
  return student && assignment ? { assignmentId: assignment.assignmentId, studentId: student.studentId } : null;
}
