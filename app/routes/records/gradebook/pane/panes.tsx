import type { Entry } from "#core/changes";
import type { AssignmentId, StudentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import type { SendChange } from "../../../../course/use-change";
import type { CellPlace } from "../grid/selection";
import type { GradeTable } from "../rows";
import { CellPane } from "./cell-pane";
import { ColumnPane } from "./column-pane";
import { TotalPane } from "./total-pane";

/** What the pane beside the grid tells: the marked result, a student's total, or a column. */
export type PaneKind =
  | { readonly kind: "cell"; readonly toComment: number }
  | { readonly kind: "total"; readonly studentId: StudentId }
  | { readonly kind: "column"; readonly assignmentId: AssignmentId }
  | null;

interface PanesProps {
  readonly pane: PaneKind;
  readonly slot: string;
  readonly state: CourseState;
  /** All changes of the course: to read them takes time, which only an open pane is worth. */
  readonly journal: () => readonly Entry[];
  readonly table: GradeTable;
  readonly marked: CellPlace | null;
  readonly send: SendChange;
  readonly onClose: () => void;
  /** Goes back to the marked cell; the pane stays. */
  readonly onBack: () => void;
}

/** The pane beside the grid. */
export function Panes({ pane, slot, state, journal, table, marked, send, onClose, onBack }: PanesProps) {
  const ways = { slot, state, onClose, onBack };
  switch (pane?.kind) {
    case "cell":
      return marked && <CellPane {...ways} entries={journal()} place={marked} send={send} toComment={pane.toComment} />;
    case "total":
      return <TotalPane {...ways} entries={journal()} studentId={pane.studentId} />;
    case "column":
      return <ColumnPane {...ways} table={table} assignmentId={pane.assignmentId} />;
    case undefined:
      return null;
  }
}
