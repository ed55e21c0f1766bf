import type { KeyboardEvent } from "react";
import type { RecordColumn } from "./column";
import type { RecordRows } from "./use-record-rows";

/** What one press of an arrow adds to a column's width, in pixels. */
const STEP = 16;

const ORDERS = { asc: "ascending", desc: "descending" } as const;

interface HeadProps<R extends object> {
  readonly table: RecordRows<R>;
  readonly columns: ReadonlyMap<string, RecordColumn<R>>;
  /** At its far end stands the button that chooses columns. */
  readonly hasChoice: boolean;
}

/** The heads of a table: a press puts the records in order, at the edge a column is drawn wider or narrower. */
export function Head<R extends object>({ table, columns, hasChoice }: HeadProps<R>) {
  const headers = table.getHeaderGroups()[0]?.headers ?? [];
  return (
    <thead>
      <tr className="border-b border-ink text-left text-[13.5px]">
        {headers.map((header, place) => {
          const column = columns.get(header.column.id);
          if (!column) return null;
          const order = header.column.getIsSorted();
          const width = table.state.columnSizing[column.id];
          return (
            <th
              key={column.id}
              scope="col"
              aria-sort={order === false ? undefined : ORDERS[order]}
              style={width === undefined ? undefined : { width }}
              className={`group relative py-1 font-semibold ${hasChoice && place === headers.length - 1 ? "pe-9" : "pe-3"} ${column.figures ? "text-right" : ""} ${column.headClassName ?? ""}`}
            >
              {column.quiet ? (
                <span className="sr-only">{column.head}</span>
              ) : header.column.getCanSort() ? (
                <button
                  type="button"
                  className="font-semibold hover:underline"
                  onClick={() => {
                    header.column.toggleSorting(undefined, false);
                  }}
                >
                  {column.figures && <Arrow order={order} />}
                  {column.head}
                  {!column.figures && <Arrow order={order} />}
                </button>
              ) : (
                column.head
              )}
              {place < headers.length - 1 && (
                // A separator that can be moved is a control: ARIA 1.2, "separator".
                <span
                  role="separator"
                  aria-label={`Width of ${column.head}`}
                  aria-orientation="vertical"
                  aria-valuenow={Math.round(width ?? 0)}
                  tabIndex={0}
                  className="absolute inset-y-0 end-0 w-2 cursor-col-resize touch-none border-e-2 border-transparent group-hover:border-rule focus-visible:border-ink"
                  onMouseDown={(event) => {
                    takeWidths(table, event.currentTarget);
                    header.getResizeHandler()(event);
                  }}
                  onTouchStart={(event) => {
                    takeWidths(table, event.currentTarget);
                    header.getResizeHandler()(event);
                  }}
                  onKeyDown={(event) => {
                    const by = stepOf(event);
                    if (by === 0) return;
                    event.preventDefault();
                    takeWidths(table, event.currentTarget);
                    table.setColumnSizing((before) => ({ ...before, [column.id]: header.column.getSize() + by }));
                  }}
                  onDoubleClick={() => {
                    table.setColumnSizing({});
                  }}
                />
              )}
            </th>
          );
        })}
      </tr>
    </thead>
  );
}

/** Which way a column puts in order, at the side away from its figures. */
const Arrow = ({ order }: { readonly order: false | keyof typeof ORDERS }) => (
  <span aria-hidden="true" className="inline-block w-[1.1em] text-center font-normal text-soft">
    {order === "asc" ? "↑" : order === "desc" ? "↓" : ""}
  </span>
);

const stepOf = ({ key }: KeyboardEvent): number => (key === "ArrowRight" ? STEP : key === "ArrowLeft" ? -STEP : 0);

/** Columns are as wide as what they hold until one is drawn: then all take the widths they have, and keep them. */
function takeWidths<R extends object>(table: RecordRows<R>, separator: HTMLElement): void {
  if (Object.keys(table.state.columnSizing).length > 0) return;
  const heads = separator.closest("tr")?.children ?? [];
  const ids = table.getVisibleLeafColumns().map(({ id }) => id);
  table.setColumnSizing(
    Object.fromEntries(ids.map((id, place) => [id, heads[place]?.getBoundingClientRect().width ?? 0])),
  );
}
