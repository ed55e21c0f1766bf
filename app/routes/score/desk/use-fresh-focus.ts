import { useLayoutEffect, useRef, type RefObject } from "react";

/**
 * With another paper nothing that stayed on the desk keeps the focus: arrows and Enter are for the paper then, and no longer
 * for the button that led to it.
 */
export function useFreshFocus(desk: RefObject<HTMLElement | null>, paper: string): void {
  const before = useRef(paper);
  useLayoutEffect(() => {
    if (before.current === paper) return;
    before.current = paper;
    const on = document.activeElement;
    if (on instanceof HTMLElement && desk.current?.contains(on)) on.blur();
  }, [desk, paper]);
}
