import {
  columnResizingFeature,
  columnSizingFeature,
  columnVisibilityFeature,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from "@tanstack/react-table";
import { useMemo } from "react";
import { compareKeys, type RecordColumn } from "./column";

// The only file that knows @tanstack/react-table: it keeps order, widths and hidden columns; drawing is ours.
const features = tableFeatures({
  rowSortingFeature,
  columnVisibilityFeature,
  columnSizingFeature,
  columnResizingFeature,
  sortedRowModel: createSortedRowModel(),
});

/** Narrowest a column can be drawn to, in pixels. */
const NARROWEST = 48;

/** The table of some records: their order, which columns are shown, and how wide they were drawn. */
export function useRecordRows<R extends object>(
  records: readonly R[],
  columns: readonly RecordColumn<R>[],
  keyOf: (record: R) => string,
) {
  const defs = useMemo(
    () =>
      columns.map(({ id, by }): ColumnDef<typeof features, R> => ({
        id,
        minSize: NARROWEST,
        enableSorting: by !== undefined,
        sortDescFirst: false,
        sortUndefined: "last",
        accessorFn: (record) => by?.(record) ?? undefined,
        sortFn: (one, other) => compareKeys(one.getValue(id), other.getValue(id)),
      })),
    [columns],
  );
  const table = useTable({
    features,
    columns: defs,
    data: records,
    getRowId: keyOf,
    enableMultiSort: false,
    columnResizeMode: "onChange",
  });
  return table;
}

/** A table as `useRecordRows` keeps it. */
export type RecordRows<R extends object> = ReturnType<typeof useRecordRows<R>>;
