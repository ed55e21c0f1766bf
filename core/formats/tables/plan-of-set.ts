import type { Sheet } from "../sheets/sheet";
import { writeCsv } from "./csv";
import { rowsOfSet, valueOf } from "./set-rows";

/** The files of the open roster-and-results set that people and line items are read from (1EdTech, CSV tables 1.1). */
export interface PlanSet {
  readonly users: Sheet | null;
  readonly enrollments: Sheet | null;
  readonly classes: Sheet | null;
  readonly lineItems: Sheet | null;
  readonly categories: Sheet | null;
}

/**
 * The students of the set as a roster that is looked over like any other: number, names, address, and the class each is
 * enrolled in as the section, where the set has several. Null where it has no students.
 */
export function rosterOfSet({ users, enrollments, classes }: PlanSet): string | null {
  const titles = new Map(
    (classes ? rowsOfSet(classes) : []).map((row) => [valueOf(row, "sourcedId"), valueOf(row, "title")]),
  );
  const enrolled = (enrollments ? rowsOfSet(enrollments) : []).filter((row) => isStudent(valueOf(row, "role")));
  const classOf = new Map(enrolled.map((row) => [valueOf(row, "userSourcedId"), valueOf(row, "classSourcedId")]));
  const isDivided = new Set(classOf.values()).size > 1;
  const students = (users ? rowsOfSet(users) : []).filter(
    (row) => isStudent(valueOf(row, "role")) && (!enrollments || classOf.has(valueOf(row, "sourcedId"))),
  );
  if (students.length === 0) return null;
  const head = ["Student number", "Given name", "Family name", "E-mail", "Section"];
  const rows = students.map((row) => [
    valueOf(row, "identifier") || valueOf(row, "username"),
    valueOf(row, "givenName"),
    valueOf(row, "familyName"),
    valueOf(row, "email"),
    isDivided ? (titles.get(classOf.get(valueOf(row, "sourcedId")) ?? "") ?? "") : "",
  ]);
  // Read back by ourselves: a mark put in front of a name that begins with a sign would stay in it.
  return writeCsv([head, ...rows].map((row) => row.map((figure) => ({ figure }))));
}

/** Some sets name the role of everybody, some of none but teachers. */
const isStudent = (role: string): boolean => role === "" || role.toLowerCase() === "student";

/**
 * The line items of the set as lines of shorthand for the plan, one each: name, points, the day they are due and their
 * category. Null where it has none. Commas part a line of shorthand, so those in a name give way to spaces.
 */
export function shorthandOfSet({ lineItems, categories }: PlanSet): string | null {
  const titles = new Map(
    (categories ? rowsOfSet(categories) : []).map((row) => [valueOf(row, "sourcedId"), valueOf(row, "title")]),
  );
  const plain = (text: string) => text.replace(/\s*[,\n]\s*/g, " ").trim();
  const lines = (lineItems ? rowsOfSet(lineItems) : []).map((row) => {
    const [most, due] = [valueOf(row, "resultValueMax"), valueOf(row, "dueDate").slice(0, 10)];
    const category = titles.get(valueOf(row, "categorySourcedId")) ?? "";
    return [
      plain(valueOf(row, "title")),
      ...(most === "" ? [] : [`${String(Number(most))} points`]),
      ...(/^\d{4}-\d\d-\d\d$/.test(due) ? [due] : []),
      ...(category === "" ? [] : [`in ${plain(category)}`]),
    ].join(", ");
  });
  return lines.length === 0 ? null : lines.join("\n");
}
