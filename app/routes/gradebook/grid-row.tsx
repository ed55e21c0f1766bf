import { memo, type ReactNode } from "react";
import type { CellLook, GradeCell, TotalCell } from "./cells";
import { COLUMN_WIDTH, LETTER_WIDTH, NAME_WIDTH, ROW_HEIGHT, TOTAL_WIDTH } from "./measures";
import type { GradeStudent } from "./rows";

const LOOKS: Readonly<Record<CellLook, string>> = {
  figure: "",
  "by hand": "font-semibold text-plum",
  waiting: "text-ochre",
  missing: "text-wax",
  excused: "text-soft",
  open: "text-soft",
};

/** An entry that could not be kept after its cell was left; it stays in sight with its reason. */
export interface Refused {
  readonly text: string;
  readonly words: string;
}

interface GridRowProps {
  readonly student: GradeStudent;
  readonly index: number;
  readonly top: number;
  readonly total: TotalCell;
  readonly firstColumn: number;
  readonly cells: readonly GradeCell[];
  readonly labels: readonly string[];
  /** The marked column, or -1. */
  readonly marked: number;
  /** Columns from and to that are selected in this row, or null. */
  readonly selectedFrom: number;
  readonly selectedTo: number;
  /** The column the marked cell is in, in every row. */
  readonly current: number;
  readonly refused: Refused | null;
  readonly editor: ReactNode;
}

/** One student's row: name and total stand still, only the columns in view are drawn. */
export const GridRow = memo(function GridRow(props: GridRowProps) {
  const { student, index, total, cells, firstColumn } = props;
  return (
    <div
      role="row"
      aria-rowindex={index + 3}
      className={`absolute flex border-b border-rule contain-layout contain-style ${props.editor || props.refused ? "z-20" : ""}`}
      style={{ top: props.top, height: ROW_HEIGHT }}
    >
      <div
        role="rowheader"
        data-row={index}
        data-column={-1}
        className="sticky left-0 z-10 truncate bg-paper ps-2.5 leading-[30px]"
        style={{ width: NAME_WIDTH }}
        title={student.note ? `${student.number} · ${student.note}` : student.number}
      >
        {student.name}
        {student.note && (
          <span className="ms-1 text-plum" title={student.note}>
            ¶<span className="sr-only"> has a note</span>
          </span>
        )}
      </div>
      <div
        role="gridcell"
        aria-readonly="true"
        className="figures sticky z-10 bg-table pe-2 text-right leading-[30px]"
        style={{ width: TOTAL_WIDTH, left: NAME_WIDTH }}
      >
        <strong>{total.now}</strong> <span className="inline-block w-[58px] text-soft">{total.range}</span>
      </div>
      <div
        role="gridcell"
        aria-readonly="true"
        className="sticky z-10 bg-table pe-3 text-right leading-[30px]"
        style={{ width: LETTER_WIDTH, left: NAME_WIDTH + TOTAL_WIDTH }}
      >
        {total.letter}
      </div>
      <div style={{ width: firstColumn * COLUMN_WIDTH }} />
      {cells.map((cell, at) => {
        const column = firstColumn + at;
        const marked = column === props.marked;
        const selected = column >= props.selectedFrom && column <= props.selectedTo;
        return (
          <div
            key={column}
            role="gridcell"
            data-row={index}
            data-column={column}
            aria-label={`${props.labels[at] ?? ""}, ${student.name}: ${words(cell)}`}
            aria-colindex={column + 4}
            aria-selected={marked || selected}
            tabIndex={marked ? 0 : -1}
            className={`figures relative text-right leading-[30px] outline-offset-[-2px] ${column === props.current ? "border-x border-ochre" : ""} ${selected ? "bg-green-wash" : column === props.current ? "bg-sheet" : ""} ${marked ? "outline-2 outline-ink" : ""}`}
            style={{ width: COLUMN_WIDTH }}
          >
            {marked && props.editor ? props.editor : <CellText cell={cell} refused={marked ? props.refused : null} />}
          </div>
        );
      })}
    </div>
  );
}, sameRow);

function CellText({ cell, refused }: { readonly cell: GradeCell; readonly refused: Refused | null }) {
  return (
    <>
      <span className={`pe-2.5 ${LOOKS[cell.look]}`}>
        {cell.late && <span className="me-1 text-[12.5px] text-ochre">{cell.late}</span>}
        {cell.look === "by hand" && <span title="set by hand">✎ </span>}
        {cell.above && <span title="above the maximum">↑ </span>}
        {refused ? <s>{refused.text}</s> : cell.text}
        {cell.second && <span className="ms-1.5 font-normal text-soft">{cell.second}</span>}
      </span>
      {refused && (
        <span
          role="alert"
          className="absolute top-full right-0 z-30 mt-1 w-64 rounded bg-tip px-2.5 py-1 text-left text-[13px] leading-snug text-on-tip"
        >
          Not entered: {refused.words}
        </span>
      )}
    </>
  );
}

const words = (cell: GradeCell): string =>
  [
    cell.look === "open" ? "nothing yet" : cell.text,
    cell.second,
    cell.late && `late ${cell.late}`,
    cell.look === "by hand" && "set by hand",
    cell.above && "above the maximum",
  ]
    .filter(Boolean)
    .join(", ");

/** Cells and totals are the same objects until their figures change, so one score redraws one row. */
function sameRow(a: GridRowProps, b: GridRowProps): boolean {
  const keys = Object.keys(a) as (keyof GridRowProps)[];
  return a.editor === null && b.editor === null && keys.every((key) => a[key] === b[key]);
}
