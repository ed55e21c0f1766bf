import { blankCells } from "#core/changes";
import type { AssignmentId, StudentId } from "#core/kernel";
import { handInOf, type CourseState } from "#core/model";
import { counted } from "#core/words";
import type { MenuItems } from "../../../../ui/dialogs/more-menu";
import { fillPlan, type BlockPlan } from "./blocks";
import type { GradeTable } from "../rows";
import { boundsOf, type CellPlace, type Selection } from "../grid/selection";

interface AskWords {
  readonly title: string;
  readonly detail: string;
  readonly label: string;
  readonly action: string;
  readonly withReason: boolean;
}

/** A bulk action that needs a figure first. */
export type Bulk = AskWords &
  (
    | { readonly kind: "blanks"; readonly places: readonly CellPlace[] }
    | { readonly kind: "adjust"; readonly assignmentId: AssignmentId; readonly studentIds: readonly StudentId[] }
  );

interface BulkDoes {
  readonly onPane: (assignmentId: AssignmentId) => void;
  readonly onHide: (assignmentId: AssignmentId) => void;
  readonly onPlan: (plan: BlockPlan) => void;
  readonly onAsk: (bulk: Bulk) => void;
  readonly onSort: (by: string) => void;
}

/** What can be done with a whole column, over the students shown, or over those of them that are selected in it. */
export function bulkItems(
  state: CourseState,
  table: GradeTable,
  selection: Selection,
  column: number,
  does: BulkDoes,
): MenuItems {
  const target = table.columns[column];
  if (!target) return [];
  const { assignmentId, name } = target;
  const { top, bottom, left, right } = boundsOf(selection);
  const inSelection = top !== bottom && left <= column && column <= right;
  const students = inSelection ? table.students.slice(top, bottom + 1) : table.students;
  const places = students.map(({ studentId }) => ({ assignmentId, studentId }));
  const who = inSelection ? `the ${String(students.length)} selected` : `all ${String(students.length)} shown`;
  return [
    {
      words: "Mean, spread and counts",
      onSelect: () => {
        does.onPane(assignmentId);
      },
    },
    {
      words: "Sort by it",
      onSelect: () => {
        does.onSort(assignmentId);
      },
    },
    {
      words: "Hide this column",
      onSelect: () => {
        does.onHide(assignmentId);
      },
    },
    null,
    {
      words: "Missing, where nothing came in",
      onSelect: () => {
        const out = blankCells(state, places, "m").filter((place) => !handInOf(state, assignmentId, place.studentId));
        does.onPlan(fillPlan(state, out, "m", "set missing"));
      },
    },
    {
      words: "One entry for every blank",
      onSelect: () => {
        const blanks = blankCells(state, places, "");
        does.onAsk({
          kind: "blanks",
          places: blanks,
          title: `Fill the blanks of ${name}`,
          detail: `${counted(blanks.length, "blank")} among ${who}. You see what changes before it is entered.`,
          label: "Entry, such as 10, m or x",
          action: "Look at it",
          withReason: false,
        });
      },
    },
    {
      words: "Adjust by points, with a reason",
      onSelect: () => {
        const scored = places.filter((place) => table.cell(rowOf(table, place.studentId), column).look !== "open");
        does.onAsk({
          kind: "adjust",
          assignmentId,
          studentIds: scored.map(({ studentId }) => studentId),
          title: `Adjust ${name}`,
          detail: `For ${who} with a figure. Each becomes a figure set by hand; the computed one stays beside it.`,
          label: "Points to add, such as 2 or -1.5",
          action: `Adjust ${counted(scored.length, "score")}`,
          withReason: true,
        });
      },
    },
  ];
}

const rowOf = (table: GradeTable, studentId: StudentId): number =>
  table.students.findIndex((student) => student.studentId === studentId);
