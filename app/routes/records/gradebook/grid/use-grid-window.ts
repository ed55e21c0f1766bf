import { useVirtualizer, type VirtualItem } from "@tanstack/react-virtual";
import { useMemo, type RefObject } from "react";
import type { GradeColumn, GradeTable } from "../rows";
import { COLUMN_WIDTH, fixedWidth, ROW_HEIGHT } from "./measures";
import { useTotalsAhead } from "./use-totals-ahead";

/** The rows and columns that are drawn: those in view, and a few around them. */
export interface GridWindow {
  /** Width of what stays at the left: names and totals. */
  readonly fixed: number;
  readonly height: number;
  readonly rows: readonly VirtualItem[];
  readonly columns: readonly GradeColumn[];
  readonly firstColumn: number;
  /** -1 where there is none. */
  readonly lastColumn: number;
}

export function useGridWindow(table: GradeTable, scroller: RefObject<HTMLDivElement | null>): GridWindow {
  const { students, columns } = table;
  const fixed = fixedWidth(table.terms.length);
  const down = useVirtualizer({
    count: students.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    useFlushSync: false,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => COLUMN_WIDTH,
    paddingStart: fixed,
    overscan: 3,
    useFlushSync: false,
  });
  const rows = down.getVirtualItems();
  useTotalsAhead(table, rows[0]?.index ?? 0, rows.at(-1)?.index ?? 0);
  const drawn = across.getVirtualItems();
  const firstColumn = drawn[0]?.index ?? 0;
  const lastColumn = drawn.at(-1)?.index ?? -1;
  const inView = useMemo(() => columns.slice(firstColumn, lastColumn + 1), [columns, firstColumn, lastColumn]);
  return { fixed, height: down.getTotalSize(), rows, columns: inView, firstColumn, lastColumn };
}
