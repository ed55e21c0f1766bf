import { decodedText } from "../decoded-text";
import { SHEET_TYPES, type Sheet, type SheetCell } from "#core/formats";

// read-excel-file reads .xlsx; @e965/xlsx, which is nine times its size, is loaded for OpenDocument alone.

/** Most cells of all sheets together. */
const MOST_CELLS = 400_000;

/** The sheets of a spreadsheet by the values of their cells; macros are never looked at. @throws where it cannot be read */
export async function readSheets(blob: Blob, mediaType: string): Promise<readonly Sheet[]> {
  const kind = SHEET_TYPES[mediaType];
  const sheets =
    kind === "xlsx" ? await readXlsx(blob) : kind === "ods" ? await readOds(blob) : await readDelimited(blob);
  let cells = 0;
  return sheets.map(({ name, rows }) => ({ name, rows: rows.filter((row) => (cells += row.length) <= MOST_CELLS) }));
}

async function readXlsx(blob: Blob): Promise<readonly Sheet[]> {
  const { default: readExcel } = await import("read-excel-file/universal");
  const sheets = await readExcel(blob);
  return sheets.map(({ sheet, data }) => ({ name: sheet, rows: data.map((row) => row.map(plainCell)) }));
}

async function readOds(blob: Blob): Promise<readonly Sheet[]> {
  const { read, utils } = await import("@e965/xlsx");
  const bytes = await blob.arrayBuffer();
  const book = wholeOr(() => read(bytes, { cellFormula: false, cellHTML: false }));
  return book.SheetNames.flatMap((name) => {
    const sheet = book.Sheets[name];
    const rows = sheet
      ? utils.sheet_to_json<unknown[]>(sheet, { header: 1, raw: true, defval: null, blankrows: true })
      : [];
    return [{ name, rows: rows.map((row) => Array.from(row, plainCell)) }];
  });
}

/** The library says of some damage in bare words, which nobody who catches errors would know for one. */
function wholeOr<T>(read: () => T): T {
  try {
    return read();
  } catch (error) {
    throw error instanceof Error ? error : new Error(`The spreadsheet is damaged: ${String(error)}`);
  }
}

async function readDelimited(blob: Blob): Promise<readonly Sheet[]> {
  const { default: Papa } = await import("papaparse");
  const text = decodedText(await blob.arrayBuffer())
    .replace(/^\uFEFF/, "")
    .replace(/^sep=.\r?\n/, "");
  const rows = Papa.parse<string[]>(text, { delimiter: delimiterOf(text) }).data;
  const cut = rows.map((row) => row.map((cell) => cell.replace(/\r$/, "")));
  return [{ name: "", rows: cut.at(-1)?.join("") === "" ? cut.slice(0, -1) : cut }];
}

/** The mark that most lines have most of; a comma inside decimals is outnumbered by what parts the columns. */
function delimiterOf(text: string): string {
  const lines = text.split(/\r?\n/, 30).filter(Boolean);
  const counts = ["\t", ";", ","].map((mark) => ({ mark, count: lines.filter((line) => line.includes(mark)).length }));
  return counts.reduce((best, next) => (next.count > best.count ? next : best)).mark;
}

function plainCell(cell: unknown): SheetCell {
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  if (typeof cell === "string" || typeof cell === "number" || typeof cell === "boolean") return cell;
  return null;
}
