/** A cell of a spreadsheet: its value, never its formula. */
export type SheetCell = string | number | boolean | null;

/** One sheet of a spreadsheet, its rows from the top; rows may differ in length. */
export interface Sheet {
  readonly name: string;
  readonly rows: readonly (readonly SheetCell[])[];
}

/** Media types of spreadsheets, with how each is read: those of IANA's registry. */
export const SHEET_TYPES: Readonly<Record<string, "xlsx" | "ods" | "csv">> = {
  "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet": "xlsx",
  "application/vnd.ms-excel.sheet.macroenabled.12": "xlsx",
  "application/vnd.oasis.opendocument.spreadsheet": "ods",
  "text/csv": "csv",
  "text/tab-separated-values": "csv",
};

/** Whether a file of this media type is read as a spreadsheet. */
export const isSheetType = (mediaType: string): boolean => mediaType in SHEET_TYPES;

/** An apostrophe that keeps a spreadsheet from running a cell; it is no part of the text. */
const GUARD = /^'(?=[=+\-@])/;

/** A cell as text; a figure as it would be typed, without what doubles add behind the tenth place. */
export function cellText(cell: SheetCell | undefined): string {
  if (cell === null || cell === undefined) return "";
  if (typeof cell === "number") return String(Number(cell.toPrecision(12)));
  return String(cell).trim().replace(GUARD, "");
}
