import type { KeyboardEvent } from "react";
import { COLUMN_WIDTH } from "./grid-head";
import type { CellLook, EntryHint, GradeCell } from "./rows";

const LOOKS: Readonly<Record<CellLook, string>> = {
  figure: "",
  "by hand": "font-semibold text-plum",
  waiting: "text-ochre",
  missing: "text-wax",
  excused: "text-soft",
  open: "text-soft",
};

interface EntryCellProps {
  readonly cell: GradeCell;
  readonly column: number;
  readonly label: string;
  readonly marked: boolean;
  readonly inCurrent: boolean;
  /** In the last row the hint stands above the cell. */
  readonly last: boolean;
  /** The text being typed; null while the cell is only marked. */
  readonly typed: string | null;
  readonly hint: EntryHint | null;
  readonly asked: boolean;
  readonly refused: { readonly text: string; readonly words: string } | null;
  readonly onMark: () => void;
  readonly onOpen: () => void;
  readonly onType: (text: string) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  readonly onLeave: () => void;
}

/** One score. Marked, it takes keys; typed in, it shows what the entry comes to before it is kept. */
export function EntryCell(props: EntryCellProps) {
  const { cell, marked, typed, refused } = props;
  return (
    <div
      role="gridcell"
      aria-label={`${props.label}: ${words(cell)}`}
      aria-colindex={props.column + 4}
      aria-selected={marked}
      tabIndex={marked ? 0 : -1}
      className={`figures relative text-right leading-[30px] outline-offset-[-2px] ${props.inCurrent ? "border-x border-ochre bg-sheet" : ""} ${marked ? "outline-2 outline-ink" : ""}`}
      style={{ width: COLUMN_WIDTH }}
      onPointerDown={props.onMark}
      onDoubleClick={props.onOpen}
    >
      {typed === null ? (
        <span className={`pe-2.5 ${LOOKS[cell.look]}`}>
          {cell.late && <span className="me-1 text-[12.5px] text-ochre">{cell.late}</span>}
          {cell.look === "by hand" && <span title="set by hand">✎ </span>}
          {cell.above && <span title="above the maximum">↑ </span>}
          {refused ? <s>{refused.text}</s> : cell.text}
        </span>
      ) : (
        <input
          aria-label={props.label}
          aria-invalid={props.hint?.refused ?? false}
          aria-describedby="entry-hint"
          autoFocus
          className="absolute inset-0 bg-sheet pe-2.5 text-right font-semibold outline-2 outline-offset-[-2px] outline-ink"
          value={typed}
          onChange={(event) => {
            props.onType(event.target.value);
          }}
          onKeyDown={props.onKeyDown}
          onBlur={props.onLeave}
        />
      )}
      {typed !== null && props.hint && typed.trim() !== "" && (
        <span
          id="entry-hint"
          role={props.hint.refused ? "alert" : "status"}
          className={`absolute right-0 z-30 rounded bg-tip px-2.5 py-1 text-left text-[13px] leading-snug text-on-tip ${props.hint.refused ? "w-64" : "w-max max-w-80"} ${props.last ? "bottom-full mb-1" : "top-full mt-1"}`}
        >
          {props.hint.words}
        </span>
      )}
      {typed === null && refused && marked && (
        <span
          role="alert"
          className="absolute top-full right-0 z-30 mt-1 w-64 rounded bg-tip px-2.5 py-1 text-left text-[13px] leading-snug text-on-tip"
        >
          Not entered: {refused.words}
        </span>
      )}
    </div>
  );
}

const words = (cell: GradeCell): string =>
  [
    cell.look === "open" ? "nothing yet" : cell.text,
    cell.late && `late ${cell.late}`,
    cell.look === "by hand" && "set by hand",
    cell.above && "above the maximum",
  ]
    .filter(Boolean)
    .join(", ");
