import { useRef, type MouseEvent, type PointerEvent } from "react";
import { isTyping } from "../../../../ui/keys/typing";
import { isSingle, type Place, type Selection } from "./selection";

interface PointerDoes {
  readonly selection: Selection;
  /** The marked place. */
  readonly here: Place;
  readonly settle: () => void;
  readonly select: (selection: Selection) => void;
  /** Stretches the selection while the pointer is held. */
  readonly stretch: (selection: Selection) => void;
  readonly total: (row: number) => void;
  readonly edit: () => void;
  readonly focusMarked: () => void;
}

interface PointerHandlers {
  readonly onPointerDown: (event: PointerEvent) => void;
  readonly onPointerMove: (event: PointerEvent) => void;
  readonly onPointerUp: () => void;
  readonly onDoubleClick: (event: MouseEvent) => void;
}

/** The row whose total an event is on; null beside every total. */
export function totalRowOf({ target }: { readonly target: EventTarget }): number | null {
  const row = (target as HTMLElement).closest<HTMLElement>("[data-total]")?.dataset.total;
  return row === undefined ? null : Number(row);
}

function placeOf(event: PointerEvent): Place | null {
  const cell = (event.target as HTMLElement).closest<HTMLElement>("[data-column]");
  const [row, column] = [Number(cell?.dataset.row), Number(cell?.dataset.column)];
  return cell && column >= 0 ? { row, column } : null;
}

/** The pointer on the grid: a click marks, with Shift or held it selects, twice it opens; a total tells its story. */
export function useGridPointer(does: PointerDoes): PointerHandlers {
  const { selection, here } = does;
  const held = useRef(false);
  return {
    onPointerDown: (event) => {
      const total = totalRowOf(event);
      if (total !== null && event.button === 0) {
        does.settle();
        does.total(total);
        return;
      }
      const place = placeOf(event);
      if (!place || event.button !== 0 || (event.target as HTMLElement).tagName === "INPUT") return;
      held.current = true;
      if (place.row === here.row && place.column === here.column && isSingle(selection)) return;
      does.settle();
      does.select({ from: event.shiftKey ? selection.from : place, to: place });
      // Whoever types at once has the field open by then: it must not lose the focus to its own cell.
      requestAnimationFrame(() => {
        if (!isTyping(document.activeElement)) does.focusMarked();
      });
    },
    onPointerMove: (event) => {
      const place = held.current && event.buttons === 1 ? placeOf(event) : null;
      if (place && (place.row !== here.row || place.column !== here.column)) {
        does.stretch({ from: selection.from, to: place });
      }
    },
    onPointerUp: () => {
      held.current = false;
    },
    onDoubleClick: (event) => {
      if ((event.target as HTMLElement).closest('[data-column]:not([data-column="-1"])')) does.edit();
    },
  };
}
