import { useVirtualizer } from "@tanstack/react-virtual";
import {
  useEffect,
  useImperativeHandle,
  useMemo,
  useRef,
  useState,
  type ClipboardEvent,
  type PointerEvent,
  type Ref,
} from "react";
import { isTyping } from "../../../../ui/keys";
import type { MenuItems } from "../../../../ui/dialogs/more-menu";
import { useLatest } from "../../../../ui/hooks/use-latest";
import { CellEditor, type CellEditorHandle, type Leave } from "./cell-editor";
import { GridHead } from "./grid-head";
import { GridRow } from "./grid-row";
import type { EntryHint } from "../entries/hint";
import { COLUMN_WIDTH, fixedWidth, ROW_HEIGHT } from "./measures";
import { Overview } from "./overview";
import type { GradeTable, GradeView } from "../rows";
import { scrollIntoView } from "./scroll-into-view";
import { boundsOf, inside, isSingle, single, type CellPlace, type Place, type Selection } from "./selection";
import type { UnkeptEntries } from "../entries/unkept";
import { useTotalsAhead } from "./use-totals-ahead";
import { onGridKey, type GridKey } from "./grid-keys";

/** What others may ask of the grid. */
export interface GridHandle {
  readonly focus: () => void;
  /** Brings the marked cell back into view, where a pane has taken its room. */
  readonly show: () => void;
  /** Marks a cell and brings it into view. */
  readonly go: (place: Place) => void;
}

interface GridProps {
  readonly handle: Ref<GridHandle>;
  readonly table: GradeTable;
  readonly sort: GradeView["sort"];
  readonly selection: Selection;
  readonly unkept: UnkeptEntries;
  readonly hint: (place: CellPlace, text: string) => EntryHint;
  readonly entryAt: (place: CellPlace) => string;
  readonly onSelect: (selection: Selection) => void;
  readonly onEnter: (place: CellPlace, text: string, seen: string, confirmed: boolean) => void;
  readonly onType: (place: CellPlace, text: string, seen: string) => void;
  /** A cell was left with what is not kept. */
  readonly onUnkept: (place: CellPlace, text: string, words: string | null) => void;
  readonly onLetGo: (places: readonly CellPlace[]) => void;
  readonly onClear: () => void;
  /** Marks the selection missing or excused; answers whether that letter is a standing there. */
  readonly onStanding: (letter: string) => boolean;
  readonly onFillDown: () => void;
  readonly onDetail: () => void;
  /** The comment on the marked result. */
  readonly onComment: () => void;
  /** The account of a student's total. */
  readonly onTotal: (row: number) => void;
  readonly onOpen: (place: CellPlace) => void;
  readonly onCopy: () => string;
  readonly onPaste: (text: string) => void;
  readonly onSort: (by: string) => void;
  readonly columnItems: (column: number) => MenuItems;
}

/** The cell being typed in: what is typed, or was when it went out of view, and what stood there before. */
interface Editing {
  readonly place: CellPlace;
  readonly start: string;
  readonly seen: string;
}

const MOVES: Readonly<Record<Leave, readonly [number, number]>> = {
  down: [1, 0],
  up: [-1, 0],
  right: [0, 1],
  left: [0, -1],
  stay: [0, 0],
};

/** The gradebook's grid: only rows and columns in view are drawn; one cell is marked and typing goes into it. */
export function Grid(props: GridProps) {
  const { table, selection, unkept, onSelect } = props;
  const { students, columns } = table;
  const scroller = useRef<HTMLDivElement>(null);
  const [editing, setEditing] = useState<Editing | null>(null);
  const editor = useRef<CellEditorHandle>(null);
  // After a standing given by one key, Enter goes on to the next student as after any entry.
  const goesOn = useRef(false);
  const size = { rows: students.length, columns: columns.length };
  const fixed = fixedWidth(table.terms.length);
  const here = inside(selection.to, size.rows, size.columns);
  const bounds = boundsOf(selection);
  const rows = useVirtualizer({
    count: size.rows,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    useFlushSync: false,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: size.columns,
    getScrollElement: () => scroller.current,
    estimateSize: () => COLUMN_WIDTH,
    paddingStart: fixed,
    overscan: 3,
    useFlushSync: false,
  });
  const drawnRows = rows.getVirtualItems();
  useTotalsAhead(table, drawnRows[0]?.index ?? 0, drawnRows.at(-1)?.index ?? 0);
  const drawn = across.getVirtualItems();
  const firstColumn = drawn[0]?.index ?? 0;
  const lastColumn = drawn.at(-1)?.index ?? -1;
  const drawnColumns = useMemo(() => columns.slice(firstColumn, lastColumn + 1), [columns, firstColumn, lastColumn]);
  const placeAt = ({ row, column }: Place): CellPlace | null => {
    const student = students[row];
    const assignment = columns[column];
    return student && assignment ? { assignmentId: assignment.assignmentId, studentId: student.studentId } : null;
  };
  const marked = placeAt(here);

  /** Answers whether the marked cell is drawn, and so has the focus now. */
  const focusMarked = (): boolean => {
    const cell = scroller.current?.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]');
    // Asking for the focus again would lay the page out for nothing.
    if (cell && cell !== document.activeElement) cell.focus({ preventScroll: true });
    return cell !== null && cell !== undefined;
  };
  useImperativeHandle(props.handle, () => ({
    focus: focusMarked,
    show: () => {
      scrollIntoView(scroller.current, here, fixed);
    },
    go: (place) => {
      select(single(place));
    },
  }));

  const select = (next: Selection) => {
    goesOn.current = false;
    focusWanted.current = true;
    onSelect(next);
    scrollIntoView(scroller.current, next.to, fixed);
  };

  // The grid is what one comes here for: the first key goes into it. Later the focus follows the marked cell, also where
  // the cell or field that had it is gone, or the new one is drawn only after scrolling; never while one types elsewhere.
  const focusWanted = useRef(true);
  const firstCurrent = useRef(selection.to.column);
  const firstFixed = useRef(fixed);
  useEffect(() => {
    scrollIntoView(scroller.current, { row: 0, column: firstCurrent.current }, firstFixed.current);
  }, []);
  useEffect(() => {
    const active = document.activeElement;
    const inGrid = scroller.current?.contains(active) === true;
    if (!inGrid && isTyping(active)) focusWanted.current = false;
    if (editing === null && (focusWanted.current || inGrid) && focusMarked()) focusWanted.current = false;
  });

  const edit = (text: string) => {
    if (!marked) return;
    const seen = props.entryAt(marked);
    const start = text === "" ? (unkeptAt(marked)?.text ?? seen) : text;
    if (text !== "") props.onType(marked, text, seen);
    setEditing({ place: marked, start, seen });
  };
  const unkeptAt = ({ assignmentId, studentId }: CellPlace) => unkept.get(studentId)?.get(assignmentId) ?? null;
  /** Why an entry is not in the course; empty where there is none. */
  const whyOf = (place: CellPlace): string => {
    const entry = unkeptAt(place);
    if (!entry) return "";
    const told = entry.words ?? props.hint(place, entry.text).reason;
    return told === ""
      ? "As you left it, not entered. Enter opens it, Escape lets it go."
      : `Not entered: ${told} Enter opens it, Escape lets it go.`;
  };
  /** Keeps what is being typed, wherever its field is; what cannot be kept stays at its cell. */
  const settle = () => {
    if (editing === null) return;
    if (editor.current) {
      editor.current.settle();
      return;
    }
    setEditing(null);
    if (editing.start.trim() === editing.seen) props.onLetGo([editing.place]);
    else props.onEnter(editing.place, editing.start, editing.seen, false);
  };
  const leave = (how: Leave) => {
    setEditing(null);
    focusWanted.current = true;
    const [down, right] = MOVES[how];
    if (how !== "stay")
      select(single(inside({ row: here.row + down, column: here.column + right }, size.rows, size.columns)));
  };

  const placeOf = (event: PointerEvent): Place | null => {
    const cell = (event.target as HTMLElement).closest<HTMLElement>("[data-column]");
    const [row, column] = [Number(cell?.dataset.row), Number(cell?.dataset.column)];
    return cell && column >= 0 ? { row, column } : null;
  };
  const dragging = useRef(false);
  const onKey = (event: GridKey) => {
    if (goesOn.current && event.key === "Enter" && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      leave(event.shiftKey ? "up" : "down");
      return;
    }
    const taken = onGridKey(event, selection, size, {
      select,
      edit,
      letGo: () => {
        if (!marked || !unkeptAt(marked)) return false;
        props.onLetGo([marked]);
        return true;
      },
      clear: props.onClear,
      standing: (letter) => (goesOn.current = props.onStanding(letter)),
      fillDown: props.onFillDown,
      detail: props.onDetail,
      comment: props.onComment,
      total: () => {
        props.onTotal(here.row);
      },
      openPaper: () => {
        if (marked) props.onOpen(marked);
      },
    });
    if (taken) event.preventDefault();
  };
  // A browser that is busy while a cell is clicked can leave the focus nowhere; the next letter is meant for the mark.
  const onStray = useLatest((event: KeyboardEvent) => {
    if (event.target !== document.body || event.defaultPrevented) return;
    if (editing === null) onKey(event);
    else editor.current?.focus();
  });
  useEffect(() => {
    window.addEventListener("keydown", onStray);
    return () => {
      window.removeEventListener("keydown", onStray);
    };
  }, [onStray]);
  const columnItems = useLatest(props.columnItems);

  return (
    <>
      <Overview fixed={fixed} columns={size.columns} scroller={scroller} current={here.column} />
      <div ref={scroller} className="min-h-0 flex-1 overflow-auto">
        {/* Keys of the marked cell bubble up to the grid. */}
        {/* eslint-disable-next-line jsx-a11y/interactive-supports-focus */}
        <div
          role="grid"
          aria-label="Scores"
          aria-multiselectable="true"
          aria-rowcount={size.rows + 2}
          aria-colcount={size.columns + 3}
          style={{ width: fixed + size.columns * COLUMN_WIDTH }}
          className="text-sm select-none"
          onKeyDown={(event) => {
            const target = event.target as HTMLElement;
            const ofTotal = target.closest<HTMLElement>("[data-total]")?.dataset.total;
            if (ofTotal !== undefined && event.key === " ") {
              event.preventDefault();
              props.onTotal(Number(ofTotal));
            } else if (editing === null && target.closest("[data-column]")) onKey(event);
          }}
          onCopy={(event: ClipboardEvent) => {
            if (editing !== null) return;
            event.clipboardData.setData("text/plain", props.onCopy());
            event.preventDefault();
          }}
          onPaste={(event: ClipboardEvent) => {
            if (editing !== null) return;
            props.onPaste(event.clipboardData.getData("text/plain"));
            event.preventDefault();
          }}
          onPointerDown={(event) => {
            const ofTotal = (event.target as HTMLElement).closest<HTMLElement>("[data-total]")?.dataset.total;
            if (ofTotal !== undefined && event.button === 0) {
              settle();
              props.onTotal(Number(ofTotal));
              return;
            }
            const place = placeOf(event);
            if (!place || event.button !== 0 || (event.target as HTMLElement).tagName === "INPUT") return;
            dragging.current = true;
            if (place.row === here.row && place.column === here.column && isSingle(selection)) return;
            settle();
            select({ from: event.shiftKey ? selection.from : place, to: place });
            // Whoever types at once has the field open by then: it must not lose the focus to its own cell.
            requestAnimationFrame(() => {
              if (!isTyping(document.activeElement)) focusMarked();
            });
          }}
          onPointerMove={(event) => {
            const place = dragging.current && event.buttons === 1 ? placeOf(event) : null;
            if (place && (place.row !== here.row || place.column !== here.column)) {
              onSelect({ from: selection.from, to: place });
            }
          }}
          onPointerUp={() => {
            dragging.current = false;
          }}
          onDoubleClick={(event) => {
            if ((event.target as HTMLElement).closest('[data-column]:not([data-column="-1"])')) edit("");
          }}
        >
          <GridHead
            columns={columns}
            bands={table.bands}
            current={here.column}
            firstColumn={firstColumn}
            lastColumn={lastColumn}
            totalsOf={table.totalsOf}
            terms={table.terms}
            sort={props.sort}
            onSort={props.onSort}
            columnItems={columnItems}
          />
          <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
            {drawnRows.map((item) => {
              const student = students[item.index];
              if (!student) return null;
              const isHere = item.index === here.row;
              const inRows = !isSingle(selection) && item.index >= bounds.top && item.index <= bounds.bottom;
              const own = isHere && marked ? marked : null;
              return (
                <GridRow
                  key={student.studentId}
                  student={student}
                  index={item.index}
                  top={item.start}
                  total={table.totalOf(item.index)}
                  terms={table.terms.length}
                  firstColumn={firstColumn}
                  cells={table.cells(item.index, firstColumn, lastColumn)}
                  columns={drawnColumns}
                  marked={isHere ? here.column : -1}
                  selectedFrom={inRows ? bounds.left : -1}
                  selectedTo={inRows ? bounds.right : -2}
                  current={here.column}
                  unkept={unkept.get(student.studentId)}
                  why={own && editing === null ? whyOf(own) : ""}
                  editor={
                    own && editing && keyOf(own) === keyOf(editing.place) ? (
                      <CellEditor
                        key={`${keyOf(own)} ${editing.start}`}
                        handle={editor}
                        label={`${columns[here.column]?.name ?? ""}, ${student.name}`}
                        start={editing.start}
                        seen={editing.seen}
                        hint={(text) => props.hint(own, text)}
                        onType={(text) => {
                          props.onType(own, text, editing.seen);
                        }}
                        onUnkept={(text, words) => {
                          setEditing(null);
                          props.onUnkept(own, text, words);
                        }}
                        onKeep={(text, confirmed, how) => {
                          if (text === editing.seen) props.onLetGo([own]);
                          else props.onEnter(own, text, editing.seen, confirmed);
                          if (how === "stay") setEditing(null);
                          else leave(how);
                        }}
                        onCancel={() => {
                          props.onLetGo([own]);
                          leave("stay");
                        }}
                        onAway={(text) => {
                          setEditing({ ...editing, start: text });
                        }}
                      />
                    ) : null
                  }
                />
              );
            })}
          </div>
        </div>
        {size.rows === 0 && <p className="p-6 text-soft">Nobody to show. Change the filters or the name looked for.</p>}
      </div>
    </>
  );
}

/** The key of a result. */
export const keyOf = ({ assignmentId, studentId }: CellPlace): string => `${assignmentId}/${studentId}`;
