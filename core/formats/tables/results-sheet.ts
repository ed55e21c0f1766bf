import { cellText, type Sheet, type SheetCell } from "../sheets/sheet";

/** The files of the open roster-and-results set that results are read from (1EdTech, CSV tables 1.1), as sheets. */
export interface ResultsSet {
  readonly users: Sheet;
  readonly lineItems: Sheet;
  readonly results: Sheet;
}

/** How a result stands, in the words of our entry language; any other is told by its score. */
const STANDINGS: Readonly<Record<string, string>> = { exempt: "x", "not submitted": "m" };

type Row = ReadonlyMap<string, string>;

/** The rows of a file by its columns, without those that are marked as deleted. */
function rowsOf({ rows }: Sheet): readonly Row[] {
  const [head = [], ...body] = rows;
  const names = head.map((cell) => cellText(cell).trim().toLowerCase());
  return body
    .map((row): Row => new Map(names.map((name, place) => [name, cellText(row[place]).trim()])))
    .filter((row) => row.get("status") !== "tobedeleted");
}

const of = (row: Row | undefined, name: string): string => row?.get(name.toLowerCase()) ?? "";

/**
 * Results of the set as one sheet that can be looked over like any other: a row a student, by number, name and address; a
 * column a line item with its maximum, and one for its comments. Null where no result is of a student and a line item
 * that stand in it.
 */
export function resultsSheet({ users, lineItems, results }: ResultsSet): Sheet | null {
  const people = new Map(rowsOf(users).map((row) => [of(row, "sourcedId"), row]));
  const lines = new Map(rowsOf(lineItems).map((row) => [of(row, "sourcedId"), row]));
  const byPerson = new Map<string, Map<string, Row>>();
  for (const row of rowsOf(results)) {
    const [person, line] = [of(row, "studentSourcedId"), of(row, "lineItemSourcedId")];
    if (!people.has(person) || !lines.has(line)) continue;
    const own = byPerson.get(person) ?? new Map<string, Row>();
    byPerson.set(person, own.set(line, row));
  }
  if (byPerson.size === 0) return null;
  const used = [...lines.keys()].filter((line) => [...byPerson.values()].some((own) => own.has(line)));
  const head = [
    "Student number",
    "Name",
    "E-mail",
    ...used.flatMap((line) => {
      const [title, most] = [of(lines.get(line), "title"), of(lines.get(line), "resultValueMax")];
      return [most === "" ? title : `${title} (of ${most})`, `${title} comment`];
    }),
  ];
  const rows = [...byPerson].map(([person, own]): SheetCell[] => {
    const who = people.get(person);
    return [
      of(who, "identifier") || of(who, "username"),
      `${of(who, "givenName")} ${of(who, "familyName")}`.trim(),
      of(who, "email"),
      ...used.flatMap((line) => {
        const row = own.get(line);
        return [STANDINGS[of(row, "scoreStatus").toLowerCase()] ?? of(row, "score"), of(row, "comment")];
      }),
    ];
  });
  return { name: "Results", rows: [head, ...rows] };
}
