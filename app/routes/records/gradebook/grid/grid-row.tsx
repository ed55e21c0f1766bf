import type { AssignmentId } from "#core/kernel";
import { memo, type ReactNode } from "react";
import type { CellLook, GradeCell, TotalCell } from "./cells";
import { COLUMN_WIDTH, LETTER_WIDTH, NAME_WIDTH, ROW_HEIGHT, TERM_WIDTH, TOTAL_WIDTH } from "./measures";
import type { GradeColumn, GradeStudent } from "../rows";
import type { Unkept } from "../entries/unkept";

const LOOKS: Readonly<Record<CellLook, string>> = {
  figure: "",
  setByHand: "font-semibold text-plum",
  waiting: "text-ochre",
  missing: "text-wax",
  excused: "text-soft",
  open: "text-soft",
};

interface GridRowProps {
  readonly student: GradeStudent;
  readonly index: number;
  readonly top: number;
  readonly total: TotalCell;
  /** Terms whose totals stand beside it. */
  readonly terms: number;
  readonly firstColumn: number;
  readonly cells: readonly GradeCell[];
  /** The columns drawn. */
  readonly columns: readonly GradeColumn[];
  /** The marked column, or -1. */
  readonly marked: number;
  /** Columns from and to that are selected in this row, or null. */
  readonly selectedFrom: number;
  readonly selectedTo: number;
  /** The column the marked cell is in, in every row. */
  readonly current: number;
  /** Entries of this row that are not in the course. */
  readonly unkept: ReadonlyMap<AssignmentId, Unkept> | undefined;
  /** Why the marked cell's entry is not in the course; empty where there is none. */
  readonly why: string;
  readonly editor: ReactNode;
}

/** One student's row: name and total stand still, only the columns in view are drawn. */
export const GridRow = memo(function GridRow(props: GridRowProps) {
  const { student, index, total, cells, firstColumn } = props;
  return (
    <div
      role="row"
      aria-rowindex={index + 3}
      className={`absolute flex border-b border-rule contain-layout contain-style ${props.editor || props.why ? "z-20" : ""}`}
      style={{ top: props.top, height: ROW_HEIGHT }}
    >
      <NameCell student={student} index={index} />
      <div
        role="gridcell"
        // oxlint-disable-next-line jsx-a11y/role-supports-aria-props -- ARIA 1.2 has it for a gridcell
        aria-readonly="true"
        tabIndex={-1}
        data-total={index}
        data-hint="How this total came about (Shift Space)"
        className="figures sticky z-10 cursor-pointer bg-table pe-2 text-right leading-[30px] hover:bg-sheet"
        style={{ width: TOTAL_WIDTH, left: NAME_WIDTH }}
      >
        <strong>{total.now}</strong> <span className="inline-block w-[58px] text-soft">{total.range}</span>
      </div>
      <div
        role="gridcell"
        // oxlint-disable-next-line jsx-a11y/role-supports-aria-props -- ARIA 1.2 has it for a gridcell
        aria-readonly="true"
        className="figures sticky z-10 flex justify-end bg-table pe-3 leading-[30px]"
        style={{ width: LETTER_WIDTH + props.terms * TERM_WIDTH, left: NAME_WIDTH + TOTAL_WIDTH }}
      >
        {props.terms > 0 &&
          total.terms.map((text, place) => (
            <span key={place} className="pe-2 text-right" style={{ width: TERM_WIDTH }}>
              {text}
            </span>
          ))}
        {total.letter && <span className="flex-1 text-right">{total.letter}</span>}
      </div>
      <div style={{ width: firstColumn * COLUMN_WIDTH }} />
      {cells.map((cell, at) => {
        const column = firstColumn + at;
        const marked = column === props.marked;
        const { assignmentId, name } = props.columns[at] ?? {};
        const unkept = assignmentId && props.unkept?.get(assignmentId);
        const selected = column >= props.selectedFrom && column <= props.selectedTo;
        return (
          <div
            key={column}
            role="gridcell"
            data-row={index}
            data-column={column}
            aria-label={`${name ?? ""}, ${student.name}: ${words(cell)}${unkept ? `; not entered: ${unkept.text}` : ""}`}
            aria-colindex={column + 4}
            aria-selected={marked || selected}
            tabIndex={marked ? 0 : -1}
            className={`figures relative text-right leading-[30px] outline-offset-[-2px] ${column === props.current ? "border-x border-ochre" : ""} ${selected ? "bg-green-wash" : column === props.current ? "bg-sheet" : ""} ${marked ? "outline-2 outline-ink" : ""}`}
            style={{ width: COLUMN_WIDTH }}
          >
            {marked && props.editor ? (
              props.editor
            ) : unkept ? (
              <UnkeptText unkept={unkept} why={marked ? props.why : ""} />
            ) : (
              <CellText cell={cell} />
            )}
          </div>
        );
      })}
    </div>
  );
}, sameRow);

function UnkeptText({ unkept, why }: { readonly unkept: Unkept; readonly why: string }) {
  return (
    <>
      <span className="block truncate pe-2.5 text-wax">
        <s>{unkept.text}</s> <span data-hint="not entered">!</span>
      </span>
      {why && (
        <span
          role="alert"
          className="pointer-events-none absolute right-0 bottom-full z-30 mb-1 w-64 rounded bg-tip px-2.5 py-1 text-left text-[13px] leading-snug text-on-tip"
        >
          {why}
        </span>
      )}
    </>
  );
}

function CellText({ cell }: { readonly cell: GradeCell }) {
  return (
    <span className={`pe-2.5 ${LOOKS[cell.look]}`}>
      {cell.late && <span className="me-1 text-[12.5px] text-ochre">{cell.late}</span>}
      {cell.look === "setByHand" && <span data-hint="set by hand">✎ </span>}
      {cell.above && <span data-hint="above the maximum">↑ </span>}
      {cell.text}
      {cell.second && <span className="ms-1.5 font-normal text-soft">{cell.second}</span>}
      {cell.outcomes && (
        <span
          className="absolute left-2 text-[12.5px] font-normal text-soft"
          data-hint="outcomes, apart from the score"
        >
          o{cell.outcomes}
        </span>
      )}
    </span>
  );
}

const words = (cell: GradeCell): string =>
  [
    cell.look === "open" ? "nothing yet" : cell.text,
    cell.second,
    cell.late && `late ${cell.late}`,
    cell.look === "setByHand" && "set by hand",
    cell.above && "above the maximum",
    cell.outcomes && `outcomes ${[...cell.outcomes].join(" ")}`,
  ]
    .filter(Boolean)
    .join(", ");

/** Cells and totals are the same objects until their figures change, so one score redraws one row. */
function sameRow(a: GridRowProps, b: GridRowProps): boolean {
  const keys = Object.keys(a) as (keyof GridRowProps)[];
  return a.editor === null && b.editor === null && keys.every((key) => a[key] === b[key]);
}

function NameCell({ student, index }: Pick<GridRowProps, "student" | "index">) {
  return (
    <div
      role="rowheader"
      data-row={index}
      data-column={-1}
      className="sticky left-0 z-10 truncate bg-paper ps-2.5 leading-[30px]"
      style={{ width: NAME_WIDTH }}
      data-hint={student.note ? `${student.number} · ${student.note}` : student.number}
    >
      {student.name}
      {student.note && (
        <span className="ms-1 text-plum" data-hint={student.note}>
          ¶<span className="sr-only"> has a note</span>
        </span>
      )}
    </div>
  );
}
