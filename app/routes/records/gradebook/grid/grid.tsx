import { useEffect, useImperativeHandle, useRef, type ClipboardEvent, type Ref, type RefObject } from "react";
import type { MenuItems } from "../../../../ui/dialogs/more-menu";
import { useLatest } from "../../../../ui/hooks/use-latest";
import type { Leave } from "./cell-editor";
import { GridBody } from "./grid-body";
import { GridHead } from "./grid-head";
import { onGridKey, type GridKey } from "./grid-keys";
import type { EntryHint } from "../entries/hint";
import type { UnkeptEntries } from "../entries/unkept";
import { COLUMN_WIDTH } from "./measures";
import { Overview } from "./overview";
import type { GradeTable, GradeView } from "../rows";
import { scrollIntoView } from "./scroll-into-view";
import { cellAt, inside, single, type CellPlace, type Place, type Selection } from "./selection";
import { useCellEntry } from "./use-cell-entry";
import { totalRowOf, useGridPointer } from "./use-grid-pointer";
import { useGridWindow } from "./use-grid-window";
import { useMarkedFocus } from "./use-marked-focus";

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

const MOVES: Readonly<Record<Leave, readonly [number, number]>> = {
  down: [1, 0],
  up: [-1, 0],
  right: [0, 1],
  left: [0, -1],
  stay: [0, 0],
};

/** The gradebook's grid: only rows and columns in view are drawn; one cell is marked and typing goes into it. */
export function Grid(props: GridProps) {
  const { table, selection, onSelect } = props;
  const { students, columns } = table;
  const size = { rows: students.length, columns: columns.length };
  const scroller = useRef<HTMLDivElement>(null);
  const view = useGridWindow(table, scroller);
  const { fixed } = view;
  const entry = useCellEntry(props);
  const { editing, setEditing } = entry;
  const here = inside(selection.to, size.rows, size.columns);
  const marked = cellAt(table, here);
  const focus = useMarkedFocus(scroller, { column: selection.to.column, fixed, isEditing: editing !== null });
  // After a standing given by one key, Enter goes on to the next student as after any entry.
  const goesOn = useRef(false);

  const select = (next: Selection) => {
    goesOn.current = false;
    focus.want();
    onSelect(next);
    scrollIntoView(scroller.current, next.to, fixed);
  };
  useImperativeHandle(props.handle, () => ({
    focus: focus.focus,
    show: () => {
      scrollIntoView(scroller.current, here, fixed);
    },
    go: (place) => {
      select(single(place));
    },
  }));
  const edit = (text: string) => {
    if (marked) entry.edit(marked, text);
  };
  const leave = (how: Leave) => {
    setEditing(null);
    focus.want();
    const [down, right] = MOVES[how];
    if (how !== "stay")
      select(single(inside({ row: here.row + down, column: here.column + right }, size.rows, size.columns)));
  };
  const onKey = (event: GridKey) => {
    if (goesOn.current && event.key === "Enter" && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      leave(event.shiftKey ? "up" : "down");
      return;
    }
    const taken = onGridKey(event, selection, size, {
      ...keyActs(props, { here, marked, isUnkept: entry.isUnkept }),
      select,
      edit,
      standing: (letter) => (goesOn.current = props.onStanding(letter)),
    });
    if (taken) event.preventDefault();
  };
  // A browser that is busy while a cell is clicked can leave the focus nowhere; the next letter is meant for the mark.
  useStrayKeys((event) => {
    if (editing === null) onKey(event);
    else entry.editor.current?.focus();
  });
  const pointer = useGridPointer({
    selection,
    here,
    settle: entry.settle,
    select,
    stretch: onSelect,
    total: props.onTotal,
    edit: () => {
      edit("");
    },
    focusMarked: focus.focus,
  });
  return (
    <GridFrame {...props} {...{ view, here, marked, entry, scroller, pointer, size }} onLeave={leave} onKey={onKey} />
  );
}

interface KeyPlace {
  readonly here: Place;
  readonly marked: CellPlace | null;
  readonly isUnkept: (place: CellPlace) => boolean;
}

/** What keys do at the marked cell, beside moving and typing. */
const keyActs = (props: GridProps, { here, marked, isUnkept }: KeyPlace) => ({
  letGo: () => {
    if (!marked || !isUnkept(marked)) return false;
    props.onLetGo([marked]);
    return true;
  },
  clear: props.onClear,
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

const clipboard = (copy: () => string, paste: (text: string) => void) => ({
  onCopy: (event: ClipboardEvent) => {
    event.clipboardData.setData("text/plain", copy());
    event.preventDefault();
  },
  onPaste: (event: ClipboardEvent) => {
    paste(event.clipboardData.getData("text/plain"));
    event.preventDefault();
  },
});

/** Keys that are pressed while nothing on the page has the focus. */
function useStrayKeys(act: (event: KeyboardEvent) => void): void {
  const onStray = useLatest((event: KeyboardEvent) => {
    if (event.target === document.body && !event.defaultPrevented) act(event);
  });
  useEffect(() => {
    window.addEventListener("keydown", onStray);
    return () => {
      window.removeEventListener("keydown", onStray);
    };
  }, [onStray]);
}

interface GridFrameProps extends GridProps {
  readonly view: ReturnType<typeof useGridWindow>;
  readonly here: Place;
  readonly marked: CellPlace | null;
  readonly entry: ReturnType<typeof useCellEntry>;
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly pointer: ReturnType<typeof useGridPointer>;
  readonly size: { readonly rows: number; readonly columns: number };
  readonly onLeave: (how: Leave) => void;
  readonly onKey: (event: GridKey) => void;
}

/** The grid as it is drawn, with the overview above it. */
function GridFrame(props: GridFrameProps) {
  const { table, view, here, marked, entry, scroller, pointer, size, onLeave, onKey } = props;
  const { columns } = table;
  const { fixed } = view;
  const { editing } = entry;
  const columnItems = useLatest(props.columnItems);
  return (
    <>
      <Overview fixed={fixed} columns={size.columns} scroller={scroller} current={here.column} />
      <div ref={scroller} className="min-h-0 flex-1 overflow-auto">
        {/* Keys of the marked cell bubble up to the grid. */}
        {/* oxlint-disable-next-line jsx-a11y/interactive-supports-focus */}
        <div
          role="grid"
          aria-label="Scores"
          aria-multiselectable="true"
          aria-rowcount={size.rows + 2}
          aria-colcount={size.columns + 3}
          style={{ width: fixed + size.columns * COLUMN_WIDTH }}
          className="text-sm select-none"
          onKeyDown={(event) => {
            const total = totalRowOf(event);
            if (total !== null && event.key === " ") {
              event.preventDefault();
              props.onTotal(total);
            } else if (editing === null && (event.target as HTMLElement).closest("[data-column]"))
              onKey(event.nativeEvent);
          }}
          {...(editing === null && clipboard(props.onCopy, props.onPaste))}
          {...pointer}
        >
          <GridHead
            columns={columns}
            bands={table.bands}
            current={here.column}
            firstColumn={view.firstColumn}
            lastColumn={view.lastColumn}
            totalsOf={table.totalsOf}
            terms={table.terms}
            sort={props.sort}
            onSort={props.onSort}
            columnItems={columnItems}
          />
          <GridBody {...props} view={view} here={here} marked={marked} entry={entry} onLeave={onLeave} />
        </div>
        {size.rows === 0 && <p className="p-6 text-soft">Nobody to show. Change the filters or the name looked for.</p>}
      </div>
    </>
  );
}
