import { COLUMN_WIDTH, HEAD_HEIGHT, ROW_HEIGHT } from "./measures";
import type { Place } from "./selection";

/** Rows kept in view before and after the marked one: the next names, and room for the hint under the field. */
const MARGIN = 2 * ROW_HEIGHT;

/** Scrolls no further than is needed for a cell to stand in what the head and the fixed columns leave free. */
export function scrollIntoView(scroller: HTMLElement | null, { row, column }: Place, fixed: number): void {
  if (!scroller) return;
  const { scrollLeft, scrollTop, clientWidth, clientHeight } = scroller;
  const across = scrolled(scrollLeft, clientWidth - fixed, column * COLUMN_WIDTH, COLUMN_WIDTH);
  const down = scrolled(scrollTop, clientHeight - HEAD_HEIGHT, row * ROW_HEIGHT - MARGIN, ROW_HEIGHT + 2 * MARGIN);
  if (across !== scrollLeft) scroller.scrollLeft = across;
  if (down !== scrollTop) scroller.scrollTop = down;
}

/** Where to scroll to, from where one is, so that a piece of this size at this start lies within the room. */
const scrolled = (from: number, room: number, start: number, size: number): number =>
  start < from ? Math.max(0, start) : Math.max(from, start + size - room);
