import Papa from "papaparse";

/** What a column of a roster holds. */
export type RosterRole = "number" | "name" | "given" | "family" | "section" | "email" | "ignore";
/** All roles, in the order they are offered. */
export const ROSTER_ROLES: readonly RosterRole[] = ["number", "name", "given", "family", "section", "email", "ignore"];

/** A roster as it was pasted or read from a file, before its columns are settled. */
export interface RosterTable {
  /** The first line where it names the columns. */
  readonly head: readonly string[] | null;
  readonly rows: readonly (readonly string[])[];
  /** What each column seems to hold. */
  readonly roles: readonly RosterRole[];
  /** Lines, counted as in `RosterIssue`, with a quotation mark that is never closed; each was read by itself, as it stands. */
  readonly openQuotes: readonly number[];
}

/** A student as read from a roster. */
export interface RosterLine {
  readonly number: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly section: string;
  readonly email: string;
}

/** Why a line of a roster cannot be taken; `line` counts from 1 among the lines of students. */
export type RosterIssue =
  | { readonly line: number; readonly code: "no_name" }
  | { readonly line: number; readonly code: "open_quote" }
  | { readonly line: number; readonly code: "number_twice"; readonly number: string }
  | { readonly line: number; readonly code: "number_taken"; readonly number: string };

/** Names of columns as people write them; compared in lower case. */
const HEADS: readonly (readonly [RosterRole, RegExp])[] = [
  [
    "number",
    /^(student )?(number|no\.?|id|nr\.?)$|^(student|matriculation|enrol?ment|registration) ?(id|number|no\.?)$/,
  ],
  ["given", /^(given|first|fore)[ _-]?names?$/],
  ["family", /^(family|last|sur)[ _-]?names?$|^surname$/],
  ["name", /^(full |student )?names?$|^student$/],
  ["section", /^(section|group|class|set|stream)( name)?$/],
  ["email", /^e-?mail( address)?$|^mail$|^address$/],
];

const roleOfHead = (text: string): RosterRole | null =>
  HEADS.find(([, pattern]) => pattern.test(text.trim().toLowerCase()))?.[0] ?? null;

/** Tab, semicolon or comma: the first that stands in most lines. Two-column files are not told apart by the parser. */
function delimiterOf(text: string): string | null {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== "");
  const share = (mark: string) => lines.filter((line) => line.includes(mark)).length / Math.max(1, lines.length);
  return ["\t", ";", ","].find((mark) => share(mark) > 0.5) ?? null;
}

/** The cells of each line, and which lines have a quotation mark that is never closed. */
interface Cells {
  readonly rows: string[][];
  readonly open: readonly number[];
}

function cellsOf(text: string, delimiter: string): Cells {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter, skipEmptyLines: "greedy" });
  if (!errors.some(({ type }) => type === "Quotes")) return { rows: data.map(trimmed), open: [] };
  // A quotation mark that is not closed would swallow the lines after it; then every line stands for itself.
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== "");
  const isOpen = (line: string) => (line.match(/"/g)?.length ?? 0) % 2 === 1;
  return {
    rows: lines.map((line) =>
      trimmed(
        isOpen(line)
          ? line.replaceAll('"', "").split(delimiter)
          : (Papa.parse<string[]>(line, { delimiter }).data[0] ?? []),
      ),
    ),
    open: lines.flatMap((line, index) => (isOpen(line) ? [index] : [])),
  };
}

const trimmed = (row: readonly string[]): string[] => row.map((cell) => cell.replace(/\r$/, "").trim());

/** Reads a pasted or opened roster into rows and proposes what each column holds. */
export function readRosterTable(text: string): RosterTable {
  const clean = text.replace(/^\uFEFF/, "");
  const delimiter = delimiterOf(clean);
  // A list typed by hand may have a tab in one line and a comma in the next.
  const { rows: parsed, open } = delimiter ? cellsOf(clean, delimiter) : linesByThemselves(clean);
  const width = parsed.reduce((most, row) => Math.max(most, row.length), 0);
  const named = (parsed[0] ?? []).map(roleOfHead);
  const head = named.filter(Boolean).length >= Math.min(2, width) && width > 0 ? (parsed[0] ?? null) : null;
  const body = head ? parsed.slice(1) : parsed;
  const full = body.filter((row) => row.length > 1 || width === 1);
  const roles = head ? settle(named.map((role) => role ?? "ignore")) : guessed(full, width);
  const name = Math.max(0, roles.indexOf("name"));
  return {
    head,
    roles,
    openQuotes: open.map((index) => index + (head ? 0 : 1)).filter((line) => line > 0),
    // A line with one cell among longer ones is a name alone.
    rows: body.map((row) =>
      Array.from(
        { length: width },
        (_, index) => (row.length === 1 ? (index === name ? row[0] : "") : row[index]) ?? "",
      ),
    ),
  };
}

function linesByThemselves(text: string): Cells {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== "");
  const each = lines.map((line) => cellsOf(line, ["\t", ";", ","].find((mark) => line.includes(mark)) ?? "\t"));
  return {
    rows: each.flatMap(({ rows }) => rows),
    open: each.flatMap(({ open }, index) => (open.length > 0 ? [index] : [])),
  };
}

/** Each role stands once; a later column of the same is left out. */
function settle(roles: readonly RosterRole[]): RosterRole[] {
  return roles.map((role, index) => (roles.indexOf(role) < index ? "ignore" : role));
}

function guessed(rows: readonly (readonly string[])[], width: number): RosterRole[] {
  const column = (index: number) => rows.map((row) => row[index] ?? "");
  const numbers = Array.from({ length: width }, (_, index) =>
    column(index).every((cell) => /\d/.test(cell) && !cell.includes("@")),
  );
  const mails = Array.from({ length: width }, (_, index) => column(index).every((cell) => cell.includes("@")));
  const words = Array.from({ length: width }, (_, index) => index).filter((index) => !numbers[index] && !mails[index]);
  return Array.from({ length: width }, (_, index): RosterRole => {
    if (mails[index]) return mails.indexOf(true) === index ? "email" : "ignore";
    if (numbers[index]) return numbers.indexOf(true) === index ? "number" : "ignore";
    const place = words.indexOf(index);
    if (words.length === 1) return "name";
    // Several columns of words: a first one of several words each is a whole name, and the next its section.
    const whole = column(words[0] ?? 0).filter((cell) => cell.includes(" ")).length > rows.length / 2;
    const order: readonly RosterRole[] = whole ? ["name", "section"] : ["family", "given", "section"];
    return order[place] ?? "ignore";
  });
}

/**
 * The students of a roster once its columns are settled. Without a number a student gets the next free one of the form
 * `S001`. `Tarnowe, Ilse` in one cell is a family name first; otherwise the last word of a name is the family name.
 */
export function rosterFrom(
  { rows, openQuotes }: Pick<RosterTable, "rows" | "openQuotes">,
  roles: readonly RosterRole[],
  taken: ReadonlySet<string>,
): { readonly students: RosterLine[]; readonly issues: RosterIssue[] } {
  const used = new Set(taken);
  const students: RosterLine[] = [];
  const issues: RosterIssue[] = openQuotes.map((line) => ({ line, code: "open_quote" }));
  const given = new Set<string>();
  for (const [index, row] of rows.entries()) {
    const cell = (role: RosterRole) => row[roles.indexOf(role)] ?? "";
    const name = nameFrom(cell("name"), cell("given"), cell("family"));
    const number = cell("number");
    const line = index + 1;
    if (name.givenName === "") issues.push({ line, code: "no_name" });
    else if (given.has(number)) issues.push({ line, code: "number_twice", number });
    else if (taken.has(number)) issues.push({ line, code: "number_taken", number });
    else {
      if (number !== "") given.add(number);
      used.add(number);
      students.push({ number, ...name, section: cell("section"), email: cell("email") });
    }
  }
  let next = 1;
  const free = () => {
    while (used.has(`S${String(next).padStart(3, "0")}`)) next += 1;
    const number = `S${String(next).padStart(3, "0")}`;
    used.add(number);
    return number;
  };
  return { students: students.map((line) => (line.number === "" ? { ...line, number: free() } : line)), issues };
}

function nameFrom(name: string, given: string, family: string): Pick<RosterLine, "givenName" | "familyName"> {
  if (given !== "" || family !== "") {
    return given === "" ? { givenName: family, familyName: "" } : { givenName: given, familyName: family };
  }
  const turned = /^([^,]+),\s*(.+)$/.exec(name);
  if (turned) return { givenName: turned[2] ?? "", familyName: turned[1] ?? "" };
  const words = name.split(/\s+/);
  const familyName = words.length > 1 ? (words.pop() ?? "") : "";
  return { givenName: words.join(" "), familyName };
}
