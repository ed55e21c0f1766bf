import { plainText, type Student } from "#core/model";

/** Why a pasted row reaches nobody. */
export type PastedRowIssue =
  | { readonly code: "nobody"; readonly who: string }
  /** A name that several students bear. */
  | { readonly code: "namesakes"; readonly who: string; readonly count: number }
  /** Its number is one student's and its name another's. */
  | { readonly code: "number_and_name_differ"; readonly who: string; readonly number: string }
  /** The student stands in an earlier row too. */
  | { readonly code: "twice"; readonly who: string };

/** A pasted row with whom it means; `cells` are those that say nothing of who it is, in their order. */
export interface PastedRow {
  readonly student: Student | null;
  readonly issue: PastedRowIssue | null;
  readonly cells: readonly string[];
}

/** A pasted block that says by itself whom its rows mean. */
export interface PastedByStudent {
  readonly by: "number" | "name";
  /** What the first row calls the columns of `cells`; null where it is a student's. */
  readonly head: readonly string[] | null;
  readonly rows: readonly PastedRow[];
}

/** Students by what may stand for them; a name may be borne by several. */
export interface Roster {
  readonly numbers: ReadonlyMap<string, readonly Student[]>;
  readonly names: ReadonlyMap<string, readonly Student[]>;
}

const plain = (text: string): string => plainText(text.trim()).replace(/[\s,]+/g, " ");

/** A roster by numbers and by names either way round. */
export function rosterOf(students: readonly Student[]): Roster {
  const gather = (waysOf: (student: Student) => readonly string[]) => {
    const found = new Map<string, Student[]>();
    for (const student of students)
      for (const way of new Set(waysOf(student))) found.set(way, [...(found.get(way) ?? []), student]);
    return found;
  };
  return {
    numbers: gather(({ number }) => [plain(number)]),
    names: gather(({ givenName, familyName }) => [
      plain(`${givenName} ${familyName}`),
      plain(`${familyName} ${givenName}`),
    ]),
  };
}

type Rows = readonly (readonly string[])[];
type Way = (row: readonly string[]) => string;

/** Rows in which this column, or pair of columns, is a known student's; none where a later row repeats an earlier one. */
function hits(rows: Rows, way: Way, known: ReadonlyMap<string, unknown>): number {
  const texts = rows.map((row) => plain(way(row))).filter((text) => known.has(text));
  return new Set(texts).size;
}

interface Column {
  readonly places: readonly number[];
  readonly way: Way;
}

const column = (place: number): Column => ({ places: [place], way: (row) => row[place] ?? "" });
const pair = (place: number): Column => ({
  places: [place, place + 1],
  way: (row) => `${row[place] ?? ""} ${row[place + 1] ?? ""}`,
});

/** The column that names students in at least half of the rows, and most often of all. */
function whoColumn(rows: Rows, columns: readonly Column[], known: ReadonlyMap<string, unknown>): Column | null {
  const filled = rows.filter((row) => row.some((cell) => cell !== "")).length;
  const best = columns
    .map((one) => ({ one, count: hits(rows, one.way, known) }))
    .reduce<{ one: Column | null; count: number }>((most, next) => (next.count > most.count ? next : most), {
      one: null,
      count: 0,
    });
  return best.count > 0 && best.count * 2 >= filled - 1 ? best.one : null;
}

/**
 * Reads a pasted block in which a column holds numbers or whole names of students; null where none does, or where nothing
 * stands beside them. Names are taken either way round, in one column or in two; case and accents do not matter.
 */
export function readPastedStudents(students: readonly Student[], rows: Rows): PastedByStudent | null {
  const width = rows.reduce((most, row) => Math.max(most, row.length), 0);
  if (width < 2) return null;
  const roster = rosterOf(students);
  const singles = Array.from({ length: width }, (_, place) => column(place));
  const pairs = singles.slice(1).map((_, place) => pair(place));
  const byNumber = whoColumn(rows, singles, roster.numbers);
  const byName = whoColumn(rows, [...singles, ...pairs], roster.names);
  const used = new Set([...(byNumber?.places ?? []), ...(byName?.places ?? [])]);
  if ((!byNumber && !byName) || used.size === width) return null;
  const seen = new Set<Student>();
  const readRow = (row: readonly string[]): PastedRow => {
    const cells = Array.from({ length: width }, (_, place) => row[place] ?? "").filter((_, place) => !used.has(place));
    const { student, issue } = whoOf(roster, byNumber?.way(row) ?? "", byName?.way(row).trim() ?? "");
    if (!student) return { student, issue, cells };
    if (seen.has(student)) return { student: null, issue: { code: "twice", who: student.number }, cells };
    seen.add(student);
    return { student, issue, cells };
  };
  const read = rows.filter((row) => row.some((cell) => cell !== "")).map(readRow);
  const isHead = read.length > 1 && read[0]?.issue?.code === "nobody";
  return {
    by: byNumber ? "number" : "name",
    head: isHead ? (read[0]?.cells ?? null) : null,
    rows: isHead ? read.slice(1) : read,
  };
}

/** The student whom a number and a name mean; either may be empty, and they must not contradict each other. */
export function whoOf(roster: Roster, number: string, name: string): Pick<PastedRow, "student" | "issue"> {
  const numbered = roster.numbers.get(plain(number)) ?? [];
  const named = roster.names.get(plain(name)) ?? [];
  const [student] = numbered;
  if (student) {
    const differs = named.length > 0 && !named.includes(student);
    return differs
      ? { student: null, issue: { code: "number_and_name_differ", who: name, number: student.number } }
      : { student, issue: null };
  }
  const who = [number.trim(), name].filter(Boolean).join(", ");
  // An unknown number must not be passed over because a name fits.
  if (named.length === 0 || number.trim() !== "") return { student: null, issue: { code: "nobody", who } };
  if (named.length > 1) return { student: null, issue: { code: "namesakes", who, count: named.length } };
  return { student: named[0] ?? null, issue: null };
}
