import type { KeyName } from "../../../../ui/keys/key-list";
import { keyOf, type Press } from "../../../../ui/keys/key-of";
import { inside, isSingle, type Place, type Selection } from "./selection";

/** What keys on the grid can bring about. */
export interface GridDoes {
  readonly select: (selection: Selection) => void;
  readonly edit: (text: string) => void;
  /** Lets go of what is not kept in the marked cell; answers whether there was anything. */
  readonly letGo: () => boolean;
  readonly clear: () => void;
  /** Marks missing or excused at once; answers whether that letter is a standing here. */
  readonly standing: (letter: string) => boolean;
  readonly fillDown: () => void;
  readonly detail: () => void;
  readonly comment: () => void;
  readonly total: () => void;
  readonly openPaper: () => void;
}

/** Rows that Page Up and Page Down pass. */
const PAGE = 15;

/** A key as the grid reads it, from a cell or from the page. */
export type GridKey = Press & Pick<KeyboardEvent, "preventDefault">;

/** Carries out a key on the marked cell; answers whether it was one of the grid's. */
export function onGridKey(
  event: GridKey,
  selection: Selection,
  size: { readonly rows: number; readonly columns: number },
  does: GridDoes,
): boolean {
  const pressed = keyOf("gradebook", event);
  if (pressed) return actsOf(selection, size, does, event.shiftKey)[pressed.name]() !== false;
  if (event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1 || event.key === "?") return false;
  // Anything else that can be written begins an entry, unless it is the letter of a standing.
  if (!does.standing(event.key)) does.edit(event.key);
  return true;
}

function actsOf(
  selection: Selection,
  { rows, columns }: { readonly rows: number; readonly columns: number },
  does: GridDoes,
  extending: boolean,
): Readonly<Record<KeyName<"gradebook">, () => unknown>> {
  const { to } = selection;
  const go = (place: Place) => () => {
    const next = inside(place, rows, columns);
    does.select({ from: extending ? selection.from : next, to: next });
  };
  const step = (down: number, right: number) => go({ row: to.row + down, column: to.column + right });
  return {
    down: step(1, 0),
    up: step(-1, 0),
    right: step(0, 1),
    left: step(0, -1),
    pageDown: step(PAGE, 0),
    pageUp: step(-PAGE, 0),
    lastRow: step(rows, 0),
    firstRow: step(-rows, 0),
    lastColumn: step(0, columns),
    firstColumn: step(0, -columns),
    rowStart: go({ row: to.row, column: 0 }),
    rowEnd: go({ row: to.row, column: columns - 1 }),
    wholeColumn: () => {
      does.select({ from: { row: 0, column: to.column }, to: { row: rows - 1, column: to.column } });
    },
    leave: () => {
      if (isSingle(selection)) return does.letGo();
      does.select({ from: to, to });
      return true;
    },
    edit: () => {
      does.edit("");
    },
    clear: does.clear,
    fillDown: does.fillDown,
    story: does.detail,
    totalStory: does.total,
    comment: does.comment,
    openPaper: does.openPaper,
  };
}
