import { useEffect } from "react";
import type { GradeTable } from "../rows";

/** Rows below and above those in view whose totals are worked out while nothing else is to do. */
const AHEAD = 60;

/** Works out totals of rows that scrolling or Enter will bring into view next, in idle time, so that none of them waits. */
export function useTotalsAhead(table: GradeTable, first: number, last: number): void {
  useEffect(() => {
    const rows: number[] = [];
    for (let step = 1; step <= AHEAD; step += 1) rows.push(last + step, first - step);
    const wanted = rows.filter((row) => row >= 0 && row < table.students.length);
    let next = 0;
    let idle = 0;
    const work = (deadline: IdleDeadline) => {
      for (let row = wanted[next]; row !== undefined && deadline.timeRemaining() > 4; row = wanted[next]) {
        table.totalOf(row);
        next += 1;
      }
      if (next < wanted.length) idle = requestIdleCallback(work);
    };
    idle = requestIdleCallback(work);
    return () => {
      cancelIdleCallback(idle);
    };
  }, [table, first, last]);
}
