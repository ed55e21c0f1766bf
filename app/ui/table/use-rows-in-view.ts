import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from "react";
import { inNextTurn } from "../hooks/in-next-turn";

/** Tables up to this length are drawn whole: the browser finds words in them, and prints them. */
const WHOLE = 150;
/** Height of a row before it is measured, in pixels. */
const ROW = 34;

/** Rows drawn beyond the window, each way. */
const OVERSCAN = 12;

/** Which rows of a long table stand in the window, and the room above and below them, in pixels. */
export interface RowsInView {
  readonly places: readonly number[];
  readonly above: number;
  readonly below: number;
  /** Measures a drawn row; undefined where the table is drawn whole. */
  readonly measure: ((row: HTMLElement | null) => void) | undefined;
}

/** The rows of a table of `length` rows that are to be drawn as the page is scrolled; all of them up to `whole`; rows that are costly to draw want few beyond the window. */
export function useRowsInView(
  length: number,
  body: RefObject<HTMLElement | null>,
  { whole = WHOLE, overscan = OVERSCAN }: { readonly whole?: number; readonly overscan?: number } = {},
): RowsInView {
  const isLong = length > whole;
  const [top, setTop] = useState(0);
  const last = useRef(0);
  // After every drawing, and it settles: the same place is not set again.
  // oxlint-disable-next-line react/exhaustive-deps
  useLayoutEffect(() => {
    // What stands above the table may grow or shrink with any drawing of the page.
    const now = isLong && body.current ? body.current.getBoundingClientRect().top + window.scrollY : 0;
    if (Math.abs(now - last.current) < 1) return;
    last.current = now;
    setTop(now);
  });
  // The rows of a long table come a turn after all that is drawn with it, so that the page is held for neither long.
  const [isBegun, setBegun] = useState(!isLong);
  useEffect(
    () =>
      isBegun
        ? undefined
        : inNextTurn(() => {
            setBegun(true);
          }),
    [isBegun],
  );
  const virtual = useWindowVirtualizer({
    count: length,
    enabled: isLong && isBegun,
    estimateSize: () => ROW,
    overscan,
    scrollMargin: top,
  });
  if (!isLong) {
    return { places: Array.from({ length }, (_, place) => place), above: 0, below: 0, measure: undefined };
  }
  if (!isBegun) return { places: [], above: 0, below: length * ROW, measure: virtual.measureElement };
  const items = virtual.getVirtualItems();
  return {
    places: items.map(({ index }) => index),
    above: (items[0]?.start ?? top) - top,
    below: virtual.getTotalSize() - ((items.at(-1)?.end ?? top) - top),
    measure: virtual.measureElement,
  };
}
