import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef, useState, type KeyboardEvent } from "react";
import type { Command } from "#core/changes";
import type { AssignmentId, StudentId } from "#core/kernel";
import type { Outcome } from "../../outcomes";
import { useUnkept } from "../../ui/use-unkept";
import { EntryCell } from "./entry-cell";
import { GridHead, NAME_WIDTH, COLUMN_WIDTH, TOTAL_WIDTH, LETTER_WIDTH } from "./grid-head";
import { Overview } from "./overview";
import { refusalHint, type EntryHint, type GradeRow, type GradeRows } from "./rows";

interface GridProps {
  readonly table: GradeRows;
  readonly hint: (assignmentId: AssignmentId, studentId: StudentId, text: string) => EntryHint;
  readonly onEnter: (command: Extract<Command, { type: "setScore" }>) => Promise<Outcome>;
  readonly onOpen: (assignmentId: AssignmentId, studentId: StudentId) => void;
}

interface Place {
  readonly row: number;
  readonly column: number;
}

/** What is being typed, and the entry that stood in the cell when typing began. */
interface Typed {
  readonly text: string;
  readonly seen: string;
}

/** An entry that could not be kept after the cell was left; it stays in sight with its reason. */
interface Refused {
  readonly text: string;
  readonly words: string;
}

const ROW_HEIGHT = 31;

/** The gradebook's grid: only the rows in view are drawn; one cell is marked and typing goes into it. */
export function Grid({ table, hint, onEnter, onOpen }: GridProps) {
  const { rows, columns } = table;
  const scroller = useRef<HTMLDivElement>(null);
  const firstCurrent = Math.max(
    0,
    columns.findIndex((column) => column.current),
  );
  const [place, setPlace] = useState<Place>({ row: 0, column: firstCurrent });
  const [typed, setTypedState] = useState<Typed | null>(null);
  // The field's blur comes after the key that closed it; what was kept once must not be sent again.
  const typing = useRef<Typed | null>(null);
  const setTyped = (next: Typed | null) => {
    typing.current = next;
    setTypedState(next);
  };
  useUnkept(typed !== null && typed.text !== typed.seen);
  const [asked, setAsked] = useState<string | null>(null);
  const [refused, setRefused] = useState<ReadonlyMap<string, Refused>>(new Map());
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
  });
  const here: Place = {
    row: Math.min(place.row, Math.max(0, rows.length - 1)),
    column: Math.min(place.column, columns.length - 1),
  };
  const student = rows[here.row];
  const column = columns[here.column];

  const move = (row: number, col: number) => {
    const next = {
      row: Math.min(rows.length - 1, Math.max(0, row)),
      column: Math.min(columns.length - 1, Math.max(0, col)),
    };
    setPlace(next);
    virtual.scrollToIndex(next.row, { align: "auto" });
    scrollColumnIntoView(scroller.current, next.column);
  };

  useEffect(() => {
    // The marked cell keeps the focus while it moves, unless the person is typing elsewhere.
    if (typed !== null || !scroller.current?.contains(document.activeElement)) return;
    scroller.current.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]')?.focus({ preventScroll: true });
  });

  const open = (text: string) => {
    const entry = student?.cells[here.column]?.entry ?? "";
    const key = student && column ? `${column.assignmentId}/${student.studentId}` : "";
    setTyped({ text: text === "" ? (refused.get(key)?.text ?? entry) : text, seen: entry });
    setAsked(null);
  };

  const close = () => {
    setTyped(null);
    setAsked(null);
    scroller.current?.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]')?.focus({ preventScroll: true });
  };

  /** Answers whether the cell may be left. */
  const keep = (): boolean => {
    if (!typing.current || !student || !column) return true;
    const { text, seen } = typing.current;
    if (text.trim() === seen) return true;
    const told = hint(column.assignmentId, student.studentId, text);
    const confirmed = asked === text;
    if (told.refused && !(told.asks && confirmed)) {
      setAsked(told.asks ? text : null);
      return false;
    }
    const { assignmentId } = column;
    const { studentId } = student;
    const key = `${assignmentId}/${studentId}`;
    void onEnter({ type: "setScore", assignmentId, studentId, text, seen, confirmed }).then((outcome) => {
      setRefused((before) => {
        const after = new Map(before);
        after.delete(key);
        if (!outcome.ok && outcome.issue.code !== "nothing_to_change") {
          after.set(key, { text, words: refusalHint(outcome.issue).words });
        }
        return after;
      });
    });
    return true;
  };

  const leaveTo = (row: number, col: number) => {
    if (!keep()) return;
    close();
    move(row, col);
  };

  const onTypingKey = (event: KeyboardEvent) => {
    if (event.key === "Enter") leaveTo(here.row + (event.shiftKey ? -1 : 1), here.column);
    else if (event.key === "Tab") leaveTo(here.row, here.column + (event.shiftKey ? -1 : 1));
    else if (event.key === "Escape") close();
    else if (event.key === "ArrowDown") leaveTo(here.row + 1, here.column);
    else if (event.key === "ArrowUp") leaveTo(here.row - 1, here.column);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const onGridKey = (event: KeyboardEvent) => {
    if (typed !== null) return;
    const steps: Readonly<Record<string, readonly [number, number]>> = {
      ArrowDown: [1, 0],
      ArrowUp: [-1, 0],
      ArrowRight: [0, 1],
      ArrowLeft: [0, -1],
      PageDown: [15, 0],
      PageUp: [-15, 0],
    };
    const step = steps[event.key];
    if (event.key === "Enter" && (event.ctrlKey || event.metaKey) && student && column) {
      onOpen(column.assignmentId, student.studentId);
    } else if (event.ctrlKey || event.metaKey || event.altKey) return;
    else if (step) move(here.row + step[0], here.column + step[1]);
    else if (event.key === "Home") move(here.row, 0);
    else if (event.key === "End") move(here.row, columns.length - 1);
    else if (event.key === "Enter" || event.key === "F2") open("");
    else if (event.key === "Delete" || event.key === "Backspace") open("-");
    else if (event.key.length === 1 && event.key !== "?") open(event.key);
    else return;
    event.preventDefault();
  };

  const told = typed && student && column ? hint(column.assignmentId, student.studentId, typed.text) : null;
  const width = NAME_WIDTH + TOTAL_WIDTH + LETTER_WIDTH + columns.length * COLUMN_WIDTH;
  return (
    <>
      <Overview columns={columns.length} scroller={scroller} current={here.column} />
      <div ref={scroller} className="min-h-0 flex-1 overflow-auto">
        {/* Keys of the marked cell bubble up to the grid. */}
        {/* eslint-disable-next-line jsx-a11y/interactive-supports-focus */}
        <div
          role="grid"
          aria-label="Scores"
          aria-rowcount={rows.length + 2}
          aria-colcount={columns.length + 3}
          style={{ width }}
          className="text-sm"
          onKeyDown={onGridKey}
        >
          <GridHead table={table} current={here.column} />
          <div role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => {
              const row = rows[item.index];
              return (
                row && (
                  <Row key={row.studentId} row={row} index={item.index} top={item.start}>
                    {row.cells.map((cell, index) => {
                      const marked = item.index === here.row && index === here.column;
                      const assignment = columns[index];
                      const key = assignment ? `${assignment.assignmentId}/${row.studentId}` : String(index);
                      return (
                        <EntryCell
                          key={key}
                          cell={cell}
                          column={index}
                          label={`${assignment?.name ?? ""}, ${row.name}`}
                          marked={marked}
                          inCurrent={index === here.column}
                          last={item.index === rows.length - 1}
                          typed={marked ? (typed?.text ?? null) : null}
                          hint={marked ? told : null}
                          asked={marked && asked !== null}
                          refused={refused.get(key) ?? null}
                          onMark={() => {
                            if (marked || !keep()) return;
                            close();
                            setPlace({ row: item.index, column: index });
                          }}
                          onOpen={() => {
                            open("");
                          }}
                          onType={(text) => {
                            if (typed) setTyped({ ...typed, text });
                            setAsked(null);
                          }}
                          onKeyDown={onTypingKey}
                          onLeave={() => {
                            if (keep()) setTyped(null);
                          }}
                        />
                      );
                    })}
                  </Row>
                )
              );
            })}
          </div>
        </div>
        {rows.length === 0 && <p className="p-6 text-soft">Nobody of that name or number.</p>}
      </div>
    </>
  );
}

function scrollColumnIntoView(scroller: HTMLElement | null, column: number): void {
  if (!scroller) return;
  const fixed = NAME_WIDTH + TOTAL_WIDTH + LETTER_WIDTH;
  const left = column * COLUMN_WIDTH;
  const room = scroller.clientWidth - fixed;
  if (left < scroller.scrollLeft) scroller.scrollLeft = left;
  else if (left + COLUMN_WIDTH > scroller.scrollLeft + room) scroller.scrollLeft = left + COLUMN_WIDTH - room;
}

function Row({
  row,
  index,
  top,
  children,
}: {
  readonly row: GradeRow;
  readonly index: number;
  readonly top: number;
  readonly children: React.ReactNode;
}) {
  return (
    <div
      role="row"
      aria-rowindex={index + 3}
      className="absolute flex border-b border-rule"
      style={{ top, height: ROW_HEIGHT }}
    >
      <div
        role="rowheader"
        className="sticky left-0 z-10 truncate bg-paper ps-2.5 leading-[30px]"
        style={{ width: NAME_WIDTH }}
        title={row.number}
      >
        {row.name}
      </div>
      <div
        role="gridcell"
        aria-readonly="true"
        className="figures sticky z-10 bg-table pe-2 text-right leading-[30px]"
        style={{ width: TOTAL_WIDTH, left: NAME_WIDTH }}
      >
        <strong>{row.now}</strong> <span className="inline-block w-[58px] text-soft">{row.range}</span>
      </div>
      <div
        role="gridcell"
        aria-readonly="true"
        className="sticky z-10 bg-table pe-3 text-right leading-[30px]"
        style={{ width: LETTER_WIDTH, left: NAME_WIDTH + TOTAL_WIDTH }}
      >
        {row.letter}
      </div>
      {children}
    </div>
  );
}
