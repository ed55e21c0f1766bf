import { writeCsv, type Cell, type Sheet, type SheetCell } from "#core/formats";
import type { DecimalMark } from "#core/model";

/** A format in which a sheet leaves. */
export type SheetFormat = "xlsx" | "ods" | "csv";

const MEDIA_TYPES: Readonly<Record<SheetFormat, string>> = {
  xlsx: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
  ods: "application/vnd.oasis.opendocument.spreadsheet",
  csv: "text/csv",
};

/** Widths of columns, in letters. */
const NARROW = 10;
const WIDE = 24;

/** Writes sheets; a text is never a formula. `mark`: how CSV writes decimals; the other formats hold them as numbers. Of several sheets, CSV holds the first alone. */
export async function writeSheets(sheets: readonly Sheet[], format: SheetFormat, mark: DecimalMark): Promise<Blob> {
  if (format === "xlsx") return writeXlsx(sheets);
  if (format === "ods") return writeOds(sheets);
  const rows = (sheets[0]?.rows ?? []).map((row) => row.map(asCell));
  // The mark tells a spreadsheet program that the letters are UTF-8.
  return new Blob([`\uFEFF${writeCsv(rows, mark)}`], { type: MEDIA_TYPES.csv });
}

const asCell = (cell: SheetCell): Cell =>
  typeof cell === "number" ? { figure: String(cell) } : { text: cell === null ? "" : String(cell) };

async function writeXlsx(sheets: readonly Sheet[]): Promise<Blob> {
  const { default: writeExcel } = await import("write-excel-file/universal");
  const pages = sheets.map(({ name, rows }) => ({
    sheet: name,
    stickyRowsCount: 1,
    stickyColumnsCount: 2,
    columns: (rows[0] ?? []).map((_, place) => ({ width: place === 1 ? WIDE : NARROW + 4 })),
    data: rows.map((row, place) =>
      row.map((cell) => {
        if (cell === null) return null;
        if (typeof cell === "number") return { value: cell, type: Number, format: "0.####" };
        return { value: String(cell), type: String, ...(place === 0 && { fontWeight: "bold" as const }) };
      }),
    ),
  }));
  return writeExcel(pages).toBlob();
}

async function writeOds(sheets: readonly Sheet[]): Promise<Blob> {
  const { utils, write } = await import("@e965/xlsx");
  const book = utils.book_new();
  for (const { name, rows } of sheets) {
    const sheet = utils.aoa_to_sheet(rows.map((row) => [...row]));
    utils.book_append_sheet(book, sheet, name);
  }
  const bytes = write(book, { bookType: "ods", type: "array" }) as ArrayBuffer;
  return new Blob([bytes], { type: MEDIA_TYPES.ods });
}
