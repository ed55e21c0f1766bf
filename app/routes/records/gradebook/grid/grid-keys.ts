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

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
  PageDown: [PAGE, 0],
  PageUp: [-PAGE, 0],
};

/** A key as the grid reads it, from a cell or from the page. */
export type GridKey = Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "altKey" | "shiftKey" | "preventDefault">;

/** Carries out a key on the marked cell; answers whether it was one of the grid's. */
export function onGridKey(
  event: GridKey,
  selection: Selection,
  size: { readonly rows: number; readonly columns: number },
  does: GridDoes,
): boolean {
  const { to } = selection;
  const go = (place: Place) => {
    const next = inside(place, size.rows, size.columns);
    does.select({ from: event.shiftKey ? selection.from : next, to: next });
    return true;
  };
  const key = event.key;
  const control = event.ctrlKey || event.metaKey;
  if (event.altKey && !control && key === "Enter") does.comment();
  else if (control && key === "Enter") does.openPaper();
  else if (control && key.toLowerCase() === "d") does.fillDown();
  else if (control && key.toLowerCase() === "a") {
    does.select({ from: { row: 0, column: to.column }, to: { row: size.rows - 1, column: to.column } });
  } else if (control && STEPS[key]) {
    const [down, right] = STEPS[key];
    return go({ row: to.row + down * size.rows, column: to.column + right * size.columns });
  } else if (control || event.altKey) return false;
  else if (STEPS[key]) return go({ row: to.row + STEPS[key][0], column: to.column + STEPS[key][1] });
  else if (key === "Home") return go({ row: to.row, column: 0 });
  else if (key === "End") return go({ row: to.row, column: size.columns - 1 });
  else if (key === "Escape" && isSingle(selection)) return does.letGo();
  else if (key === "Escape" && !isSingle(selection)) does.select({ from: to, to });
  else if (key === " " && event.shiftKey) does.total();
  else if (key === " ") does.detail();
  else if (key === "Enter" || key === "F2") does.edit("");
  else if (key === "Delete" || key === "Backspace") does.clear();
  else if (key.length === 1 && key !== "?") {
    if (!does.standing(key)) does.edit(key);
  } else return false;
  return true;
}
