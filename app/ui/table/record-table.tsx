import { useMemo, useRef, type ReactElement } from "react";
import type { RecordColumn } from "./column";
import { ColumnsMenu } from "./columns-menu";
import { Head } from "./head";
import { Room } from "./room";
import { goByRow } from "./row-keys";
import { useRecordRows } from "./use-record-rows";
import { useRowsInView } from "./use-rows-in-view";

/** Tables with fewer columns do not ask which of them to show. */
const CHOICE_FROM = 5;

interface RecordTableProps<R extends object> {
  /** What the records are, in words: read out, and drawn nowhere. */
  readonly label: string;
  /** The same list while nothing in it changed. */
  readonly records: readonly R[];
  /** The same list while nothing in it changed. The first column says what a row is about. */
  readonly columns: readonly RecordColumn<R>[];
  readonly keyOf: (record: R) => string;
  readonly className?: string;
  /** A row that is drawn in another way, such as one being edited: the cells of the whole row. */
  readonly instead?: (record: R) => ReactElement | null;
}

/**
 * The one table for lists of records. Heads put in order, columns can be hidden and drawn wider; of a long list only what
 * stands in the window is drawn. Order, widths and hidden columns last as long as the page.
 */
export function RecordTable<R extends object>(props: RecordTableProps<R>) {
  const { label, records, columns, keyOf, className = "", instead } = props;
  const table = useRecordRows(records, columns, keyOf);
  const body = useRef<HTMLTableSectionElement>(null);
  const byId = useMemo(() => new Map(columns.map((column) => [column.id, column])), [columns]);
  const { rows } = table.getRowModel();
  const { places, above, below, measure } = useRowsInView(rows.length, body);
  const shown = table.getVisibleLeafColumns();
  const isDrawn = Object.keys(table.state.columnSizing).length > 0;
  return (
    <div className={`relative ${className}`}>
      {columns.length >= CHOICE_FROM && (
        <div className="absolute end-0 top-0 z-10 print:hidden">
          <ColumnsMenu label={label} table={table} columns={byId} />
        </div>
      )}
      {/* Long lists say how many rows there are, because not all of them are drawn. */}
      <table
        className={`w-full text-sm ${isDrawn ? "table-fixed" : ""}`}
        aria-rowcount={measure ? rows.length + 1 : undefined}
      >
        <caption className="sr-only">{label}</caption>
        <Head table={table} columns={byId} hasChoice={columns.length >= CHOICE_FROM} />
        {/* oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- keys come up from the controls in it */}
        <tbody ref={body} onKeyDown={goByRow}>
          {above > 0 && <Room height={above} />}
          {places.map((place) => {
            const row = rows[place];
            if (!row) return null;
            const record = row.original;
            return (
              <tr
                key={row.id}
                ref={measure}
                data-index={place}
                aria-rowindex={measure ? place + 2 : undefined}
                className="border-b border-rule align-baseline"
              >
                {instead?.(record) ??
                  shown.map(({ id }) => {
                    const column = byId.get(id);
                    return (
                      column && (
                        <td
                          key={id}
                          className={`py-1.5 pe-3 ${column.figures ? "figures text-right" : ""} ${isDrawn ? "break-words" : ""} ${column.className ?? ""}`}
                        >
                          {column.cell(record)}
                        </td>
                      )
                    );
                  })}
              </tr>
            );
          })}
          {below > 0 && <Room height={below} />}
        </tbody>
      </table>
    </div>
  );
}
