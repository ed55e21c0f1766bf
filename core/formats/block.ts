import Papa from "papaparse";

/** Most cells that are taken from a clipboard at once. */
const MOST_CELLS = 150_000;

/** Reads cells copied from a spreadsheet: tabs between columns, quotes around cells that hold line breaks. */
export function readBlock(text: string): string[][] {
  const rows = Papa.parse<string[]>(text.replace(/(\r\n|\r|\n)$/, ""), {
    delimiter: "\t",
    newline: newlineOf(text),
  }).data;
  const cut = rows.map((row) => row.map((cell) => cell.trim()));
  let cells = 0;
  return cut.filter((row) => (cells += row.length) <= MOST_CELLS);
}

const newlineOf = (text: string): "\r\n" | "\n" | "\r" =>
  text.includes("\r\n") ? "\r\n" : text.includes("\n") || !text.includes("\r") ? "\n" : "\r";

/** Writes cells for a spreadsheet. */
export const writeBlock = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(
    rows.map((row) => [...row]),
    { delimiter: "\t", newline: "\n" },
  );
