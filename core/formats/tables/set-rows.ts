import { cellText, type Sheet } from "../sheets/sheet";

/** A row of a file of the open roster-and-results set, by its columns in lower case. */
export type SetRow = ReadonlyMap<string, string>;

/** The rows of a file by its columns, without those that are marked as deleted. */
export function rowsOfSet({ rows }: Sheet): readonly SetRow[] {
  const [head = [], ...body] = rows;
  const names = head.map((cell) => cellText(cell).trim().toLowerCase());
  return body
    .map((row): SetRow => new Map(names.map((name, place) => [name, cellText(row[place]).trim()])))
    .filter((row) => row.get("status") !== "tobedeleted");
}

/** What stands in a column of a row, whatever case its name has; empty where there is none. */
export const valueOf = (row: SetRow | undefined, name: string): string => row?.get(name.toLowerCase()) ?? "";
