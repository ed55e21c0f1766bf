import { memo } from "react";
import { ArrowDownNarrowWide, ArrowUpNarrowWide } from "lucide-react";
import { categoryColour } from "../../../../ui/colours";
import { MoreMenu, type MenuItems } from "../../../../ui/dialogs/more-menu";
import {
  BAND_HEIGHT,
  COLUMN_WIDTH,
  fixedWidth,
  LETTER_WIDTH,
  NAME_WIDTH,
  TERM_WIDTH,
  TITLE_HEIGHT,
  TOTAL_WIDTH,
} from "./measures";
import type { GradeBand, GradeColumn, GradeView } from "../rows";

interface GridHeadProps {
  readonly columns: readonly GradeColumn[];
  readonly bands: readonly GradeBand[];
  readonly current: number;
  readonly firstColumn: number;
  readonly lastColumn: number;
  /** What the totals are of, where that is not the course. */
  readonly totalsOf: string;
  /** Terms whose totals stand beside the course's. */
  readonly terms: readonly string[];
  readonly sort: GradeView["sort"];
  readonly onSort: (by: string) => void;
  readonly columnItems: (column: number) => MenuItems;
}

/** The head of the grid: category bands with their weights, then the assignments. A click on a name sorts by it. */
export const GridHead = memo(function GridHead(props: GridHeadProps) {
  const { columns, bands, terms, current, firstColumn, lastColumn, sort, onSort, columnItems } = props;
  return (
    <div role="rowgroup" className="sticky top-0 z-20 bg-paper">
      <BandRow bands={bands} terms={terms.length} />
      <div
        role="row"
        aria-rowindex={2}
        className="flex border-b border-rule leading-tight"
        style={{ height: TITLE_HEIGHT }}
      >
        <FixedTitles {...props} />
        <span role="presentation" style={{ width: firstColumn * COLUMN_WIDTH }} />
        {columns.slice(firstColumn, lastColumn + 1).map((column, at) => {
          const index = firstColumn + at;
          return (
            <ColumnTitle
              key={column.assignmentId}
              column={column}
              isCurrent={index === current}
              sort={sort}
              onSort={onSort}
              items={() => columnItems(index)}
            />
          );
        })}
      </div>
    </div>
  );
}, sameHead);

const BUTTON = "block w-full truncate text-right hover:underline";

/** A press on a menu in the head chooses no column. */
const keepPointer = (event: React.PointerEvent) => {
  event.stopPropagation();
};

/** Which way the grid is sorted, at what it is sorted by. */
function SortMark({ sort, by }: { readonly sort: GradeView["sort"]; readonly by: string }) {
  if (sort.by !== by) return null;
  return sort.down ? (
    <ArrowDownNarrowWide size={13} className="me-0.5 inline" aria-label="from the highest down" />
  ) : (
    <ArrowUpNarrowWide size={13} className="me-0.5 inline" aria-label="from the lowest up" />
  );
}

/** The course and its categories as bands over their columns. */
function BandRow({ bands, terms }: { readonly bands: readonly GradeBand[]; readonly terms: number }) {
  return (
    <div role="row" aria-rowindex={1} className="flex text-[13px] font-semibold" style={{ height: BAND_HEIGHT }}>
      <span role="columnheader" className="sticky left-0 z-10 bg-paper" style={{ width: NAME_WIDTH }}>
        <span className="sr-only">Names</span>
      </span>
      <span
        role="columnheader"
        className="sticky z-10 border-b-2 border-ink bg-table ps-2.5 leading-6"
        style={{ width: TOTAL_WIDTH + LETTER_WIDTH + terms * TERM_WIDTH, left: NAME_WIDTH }}
      >
        Course
      </span>
      {bands.map((band, index) => (
        <span
          key={band.id}
          role="columnheader"
          aria-colspan={band.columns}
          className="figures border-b-2 leading-6 text-[color:var(--band)] in-data-[light=lamp]:text-ink"
          style={{
            width: band.columns * COLUMN_WIDTH,
            borderColor: categoryColour(index),
            ["--band" as string]: categoryColour(index),
          }}
        >
          <span className="sticky inline-block max-w-full truncate ps-2.5" style={{ left: fixedWidth(terms) }}>
            {band.title}
          </span>
        </span>
      ))}
    </div>
  );
}

/** The titles that stay beside the names: student, total, terms. */
function FixedTitles({ sort, onSort, terms, totalsOf }: GridHeadProps) {
  return (
    <>
      <span
        role="columnheader"
        aria-sort={sortOf(sort, "name")}
        className="sticky left-0 z-10 flex items-end bg-paper ps-2.5 pb-1.5 text-soft"
        style={{ width: NAME_WIDTH }}
      >
        <button
          type="button"
          className="hover:underline"
          onClick={() => {
            onSort("name");
          }}
        >
          <SortMark sort={sort} by="name" />
          Student
        </button>
      </span>
      <span
        role="columnheader"
        aria-sort={sortOf(sort, "total")}
        className="sticky z-10 bg-table pe-2 pt-1.5 text-right"
        style={{ width: TOTAL_WIDTH, left: NAME_WIDTH }}
      >
        <button
          type="button"
          className={BUTTON}
          onClick={() => {
            onSort("total");
          }}
        >
          <SortMark sort={sort} by="total" />
          <strong>Now</strong>
          {totalsOf !== "the course" && <span className="font-normal text-soft"> · {totalsOf}</span>}
        </button>
        <span className="text-soft">lowest–highest</span>
      </span>
      <span
        role="columnheader"
        className="sticky z-10 flex bg-table pt-1.5 text-soft"
        style={{ width: LETTER_WIDTH + terms.length * TERM_WIDTH, left: NAME_WIDTH + TOTAL_WIDTH }}
      >
        {terms.map((name) => (
          <span key={name} className="truncate pe-2 text-right" style={{ width: TERM_WIDTH }} data-hint={name}>
            {name}
          </span>
        ))}
        <span className="sr-only">Letter</span>
      </span>
    </>
  );
}

/** The title of one assignment, with what can be done with its column. */
function ColumnTitle({
  column,
  isCurrent,
  sort,
  onSort,
  items,
}: {
  readonly column: GradeColumn;
  readonly isCurrent: boolean;
  readonly sort: GradeView["sort"];
  readonly onSort: (by: string) => void;
  readonly items: () => MenuItems;
}) {
  return (
    <span
      role="columnheader"
      aria-sort={sortOf(sort, column.assignmentId)}
      data-hint={column.name}
      className={`flex items-start pt-1.5 ${isCurrent ? "border-x border-ochre bg-sheet" : ""}`}
      style={{ width: COLUMN_WIDTH }}
    >
      <span className="-ms-0.5 scale-90" onPointerDown={keepPointer}>
        <MoreMenu label={`More for ${column.name}`} items={items} />
      </span>
      <span className="min-w-0 flex-1 pe-2.5 text-right">
        <button
          type="button"
          className={BUTTON}
          onClick={() => {
            onSort(column.assignmentId);
          }}
        >
          <SortMark sort={sort} by={column.assignmentId} />
          <strong>{column.shortName}</strong>
        </button>
        <span className="figures text-soft">{column.of}</span>
      </span>
    </span>
  );
}

/** Most changes of a course leave the head as it is; its menus are the dearest part of the grid to draw. */
function sameHead(a: GridHeadProps, b: GridHeadProps): boolean {
  const { bands, ...rest } = a;
  return (
    bands.length === b.bands.length &&
    bands.every(({ title, columns }, at) => title === b.bands[at]?.title && columns === b.bands[at].columns) &&
    (Object.keys(rest) as (keyof typeof rest)[]).every((key) => rest[key] === b[key])
  );
}

const sortOf = (sort: GradeView["sort"], by: string): "ascending" | "descending" | "none" =>
  sort.by !== by ? "none" : sort.down ? "descending" : "ascending";
