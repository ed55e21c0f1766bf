import { cellText, MOST_NODES, type PageContent, type PageIssue, type PageNode, type Sheet } from "#core/formats";
import { readSheets } from "../tables/sheets-in";

/** Most cells that are shown of all sheets together: a cell is two nodes, its row another. */
const MOST_SHOWN = MOST_NODES / 3;

/** A spreadsheet as tables of the values that were kept with it. Formulas are not worked out, macros never looked at. */
export async function openSpreadsheet(
  bytes: Uint8Array<ArrayBuffer>,
  mediaType: string,
): Promise<PageContent | PageIssue> {
  let sheets: readonly Sheet[];
  try {
    sheets = await readSheets(new Blob([bytes]), mediaType);
  } catch {
    return "damaged";
  }
  let left = MOST_SHOWN;
  const nodes = sheets.flatMap(({ name, rows }): PageNode[] => {
    const columns = Math.max(0, ...rows.map((row) => row.length));
    const shown = columns === 0 ? [] : rows.slice(0, Math.max(0, Math.floor(left / columns)));
    left -= shown.length * columns;
    const rest = rows.length - shown.length;
    return [
      ...(name === "" ? [] : [{ tag: "h2", children: [name] }]),
      { tag: "table", attributes: { class: "sheet" }, children: [headOf(columns), ...shown.map(rowOf)] },
      ...(rest > 0
        ? [{ tag: "p", children: [`${String(rest)} more rows are not shown. Save the file to see them.`] }]
        : []),
    ];
  });
  return { nodes, css: "" };
}

const rowOf = (row: Sheet["rows"][number]): PageNode => ({
  tag: "tr",
  children: [
    { tag: "th" },
    ...row.map((cell): PageNode => {
      const text = cellText(cell);
      return { tag: "td", ...(text !== "" && { children: [text] }) };
    }),
  ],
});

const headOf = (columns: number): PageNode => ({
  tag: "tr",
  attributes: { class: "letters" },
  children: [
    { tag: "th" },
    ...Array.from({ length: columns }, (_, place): PageNode => ({ tag: "th", children: [columnLetters(place)] })),
  ],
});

/** The letters of a column as every spreadsheet counts them: A to Z, AA, AB. */
export const columnLetters = (place: number): string =>
  (place >= 26 ? columnLetters(Math.floor(place / 26) - 1) : "") + String.fromCharCode(65 + (place % 26));
