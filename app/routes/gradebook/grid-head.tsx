import { categoryColour } from "../../ui/colours";
import type { GradeRows } from "./rows";

/** Widths in pixels. */
export const NAME_WIDTH = 192;
export const TOTAL_WIDTH = 150;
export const LETTER_WIDTH = 42;
export const COLUMN_WIDTH = 127;

/** The head of the grid: category bands with their weights, then the assignments. */
export function GridHead({ table, current }: { readonly table: GradeRows; readonly current: number }) {
  const fixed = TOTAL_WIDTH + LETTER_WIDTH;
  return (
    <div role="rowgroup" className="sticky top-0 z-20 bg-paper">
      <div role="row" aria-rowindex={1} className="flex h-6 text-[13px] font-semibold">
        <span role="columnheader" className="sticky left-0 z-10 bg-paper" style={{ width: NAME_WIDTH }}>
          <span className="sr-only">Names</span>
        </span>
        <span
          role="columnheader"
          className="sticky z-10 border-b-2 border-ink bg-table ps-2.5 leading-6"
          style={{ width: fixed, left: NAME_WIDTH }}
        >
          Course
        </span>
        {table.bands.map((band, index) => (
          <span
            key={band.id}
            role="columnheader"
            aria-colspan={band.columns}
            className="figures truncate border-b-2 ps-2.5 leading-6 text-[color:var(--band)] in-data-[light=lamp]:text-ink"
            style={{
              width: band.columns * COLUMN_WIDTH,
              borderColor: categoryColour(index),
              ["--band" as string]: categoryColour(index),
            }}
          >
            {band.title}
          </span>
        ))}
      </div>
      <div role="row" aria-rowindex={2} className="flex h-[46px] border-b border-rule leading-tight">
        <span
          role="columnheader"
          className="sticky left-0 z-10 flex items-end bg-paper ps-2.5 pb-1.5 text-soft"
          style={{ width: NAME_WIDTH }}
        >
          Student
        </span>
        <span
          role="columnheader"
          className="sticky z-10 bg-table pe-2 pt-1.5 text-right"
          style={{ width: TOTAL_WIDTH, left: NAME_WIDTH }}
        >
          <strong className="block">Now</strong>
          <span className="text-soft">lowest–highest</span>
        </span>
        <span
          role="columnheader"
          className="sticky z-10 bg-table"
          style={{ width: LETTER_WIDTH, left: NAME_WIDTH + TOTAL_WIDTH }}
        >
          <span className="sr-only">Letter</span>
        </span>
        {table.columns.map((column, index) => (
          <span
            key={column.assignmentId}
            role="columnheader"
            title={column.name}
            className={`truncate pe-2.5 pt-1.5 text-right ${index === current ? "border-x border-ochre bg-sheet" : ""}`}
            style={{ width: COLUMN_WIDTH }}
          >
            <strong className="block truncate">{column.shortName}</strong>
            <span className="figures text-soft">{column.of}</span>
          </span>
        ))}
      </div>
    </div>
  );
}
