import { useEffect, useState, type RefObject } from "react";
import type { GridHandle } from "../grid/grid";
import type { PaneKind } from "./panes";
import type { GradeTable } from "../rows";
import type { AssignmentId } from "#core/kernel";

/** What stands beside the grid: a cell, a column, or the account of a total. */
export function usePanes(table: GradeTable, grid: RefObject<GridHandle | null>) {
  const [pane, setPane] = useState<PaneKind>(null);
  const hasPane = pane !== null;
  useEffect(() => {
    // Once the pane stands, the grid is as narrow as it will be.
    if (hasPane) requestAnimationFrame(() => grid.current?.show());
  }, [hasPane, grid]);
  return {
    pane,
    setPane,
    showColumn: (assignmentId: AssignmentId) => {
      setPane({ kind: "column", assignmentId });
    },
    acts: {
      onDetail: () => {
        setPane(pane?.kind === "cell" ? null : { kind: "cell", toComment: 0 });
      },
      onComment: () => {
        setPane({ kind: "cell", toComment: (pane?.kind === "cell" ? pane.toComment : 0) + 1 });
      },
      onTotal: (row: number) => {
        const studentId = table.students[row]?.studentId;
        const isShown = pane?.kind === "total" && pane.studentId === studentId;
        setPane(studentId && !isShown ? { kind: "total", studentId } : null);
      },
    },
  };
}
