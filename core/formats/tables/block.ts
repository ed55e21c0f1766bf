import Papa from "papaparse";
import { withoutFormula } from "./csv";

/** Most cells that are taken from a clipboard at once. */
const MOST_CELLS = 150_000;

/** An apostrophe that keeps a spreadsheet from running a cell; it is no part of the text. */
const GUARD = /^'(?=[=+\-@])/;

/** Reads cells copied from a spreadsheet: tabs between columns, quotes around cells that hold line breaks. */
export function readBlock(text: string): string[][] {
  const rows = Papa.parse<string[]>(text.replace(/(\r\n|\r|\n)$/, ""), {
    delimiter: "\t",
    newline: newlineOf(text),
  }).data;
  const cut = rows.map((row) => row.map((cell) => cell.trim().replace(GUARD, "")));
  let cells = 0;
  return cut.filter((row) => (cells += row.length) <= MOST_CELLS);
}

const newlineOf = (text: string): "\r\n" | "\n" | "\r" =>
  text.includes("\r\n") ? "\r\n" : text.includes("\n") || !text.includes("\r") ? "\n" : "\r";

/** A figure, which a spreadsheet reads as what it is: `-3.5`. */
const FIGURE = /^[+-]?\d+([.,]\d+)?$/;

/** Writes cells for a spreadsheet; a name of a level that it would run as a formula gets an apostrophe in front. */
export const writeBlock = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(
    rows.map((row) => row.map((text) => (FIGURE.test(text) ? text : withoutFormula(text)))),
    { delimiter: "\t", newline: "\n" },
  );
