import type { ReactNode } from "react";

/** A column of a table of records. */
export interface RecordColumn<R> {
  readonly id: string;
  /** The words in its head; also its name among the columns that can be shown. */
  readonly head: string;
  /** Its head is read out and not drawn: a column of buttons. */
  readonly quiet?: boolean;
  /** What a record is put in order by; null goes last either way. Left out: the column puts nothing in order. */
  readonly by?: (record: R) => string | number | null;
  readonly cell: (record: R) => ReactNode;
  /** Figures stand at the far side, in tabular digits. */
  readonly figures?: boolean;
  /** How its cells, or its head and cells, look. */
  readonly className?: string;
  readonly headClassName?: string;
}

/** Compares what records are put in order by: figures as figures, words as people list names. */
export function compareKeys(one: string | number, other: string | number): number {
  return typeof one === "number" && typeof other === "number"
    ? one - other
    : String(one).localeCompare(String(other), "en", { numeric: true });
}
