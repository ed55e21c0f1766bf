import { useEffect, useLayoutEffect, useRef, type RefObject } from "react";
import { isTyping } from "../../../../ui/keys/typing";
import { scrollIntoView } from "./scroll-into-view";

interface MarkedFocus {
  /** Answers whether the marked cell is drawn, and so has the focus now. */
  readonly focus: () => boolean;
  /** The focus follows the mark, as soon as its cell is drawn. */
  readonly want: () => void;
}

/**
 * The grid is what one comes here for: the first key goes into it. Later the focus follows the marked cell, also where the
 * cell or field that had it is gone, or the new one is drawn only after scrolling; never while one types elsewhere.
 */
export function useMarkedFocus(
  scroller: RefObject<HTMLDivElement | null>,
  { column, fixed, isEditing }: { readonly column: number; readonly fixed: number; readonly isEditing: boolean },
): MarkedFocus {
  const wanted = useRef(true);
  const first = useRef({ column, fixed });
  const focus = () => {
    const cell = scroller.current?.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]');
    // Asking for the focus again would lay the page out for nothing.
    if (cell && cell !== document.activeElement) cell.focus({ preventScroll: true });
    return cell !== null && cell !== undefined;
  };
  useEffect(() => {
    scrollIntoView(scroller.current, { row: 0, column: first.current.column }, first.current.fixed);
  }, [scroller]);
  // As it is drawn: later it would give the focus to the cell that was marked before a key pressed meanwhile, and be done with it.
  useLayoutEffect(() => {
    const active = document.activeElement;
    const inGrid = scroller.current?.contains(active) === true;
    if (!inGrid && isTyping(active)) wanted.current = false;
    if (!isEditing && (wanted.current || inGrid) && focus()) wanted.current = false;
  });
  return {
    focus,
    want: () => {
      wanted.current = true;
    },
  };
}
