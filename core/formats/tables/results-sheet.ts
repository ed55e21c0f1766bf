import type { Sheet, SheetCell } from "../sheets/sheet";
import { rowsOfSet, valueOf, type SetRow } from "./set-rows";

/** The files of the open roster-and-results set that results are read from (1EdTech, CSV tables 1.1), as sheets. */
export interface ResultsSet {
  readonly users: Sheet;
  readonly lineItems: Sheet;
  readonly results: Sheet;
}

/** How a result stands, in the words of our entry language; any other is told by its score. */
const STANDINGS: Readonly<Record<string, string>> = { exempt: "x", "not submitted": "m" };

/**
 * Results of the set as one sheet that can be looked over like any other: a row a student, by number, name and address; a
 * column a line item with its maximum, and one for its comments. Null where no result is of a student and a line item
 * that stand in it.
 */
export function resultsSheet({ users, lineItems, results }: ResultsSet): Sheet | null {
  const people = new Map(rowsOfSet(users).map((row) => [valueOf(row, "sourcedId"), row]));
  const lines = new Map(rowsOfSet(lineItems).map((row) => [valueOf(row, "sourcedId"), row]));
  const byPerson = new Map<string, Map<string, SetRow>>();
  for (const row of rowsOfSet(results)) {
    const [person, line] = [valueOf(row, "studentSourcedId"), valueOf(row, "lineItemSourcedId")];
    if (!people.has(person) || !lines.has(line)) continue;
    const own = byPerson.get(person) ?? new Map<string, SetRow>();
    byPerson.set(person, own.set(line, row));
  }
  if (byPerson.size === 0) return null;
  const used = [...lines.keys()].filter((line) => [...byPerson.values()].some((own) => own.has(line)));
  const head = [
    "Student number",
    "Name",
    "E-mail",
    ...used.flatMap((line) => {
      const [title, most] = [valueOf(lines.get(line), "title"), valueOf(lines.get(line), "resultValueMax")];
      return [most === "" ? title : `${title} (of ${most})`, `${title} comment`];
    }),
  ];
  const rows = [...byPerson].map(([person, own]): SheetCell[] => {
    const who = people.get(person);
    return [
      valueOf(who, "identifier") || valueOf(who, "username"),
      `${valueOf(who, "givenName")} ${valueOf(who, "familyName")}`.trim(),
      valueOf(who, "email"),
      ...used.flatMap((line) => {
        const row = own.get(line);
        return [STANDINGS[valueOf(row, "scoreStatus").toLowerCase()] ?? valueOf(row, "score"), valueOf(row, "comment")];
      }),
    ];
  });
  return { name: "Results", rows: [head, ...rows] };
}
