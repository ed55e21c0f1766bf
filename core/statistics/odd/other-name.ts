import { keptBy, type StudentId } from "#core/kernel";
import { fullName, groupMembers, studentsOf, type Assignment, type CourseState, type Student } from "#core/model";

/** Another student's name in words that are meant for one. */
export interface NamedOther {
  readonly name: string;
  readonly otherId: StudentId;
  /** The words around it. */
  readonly excerpt: string;
}

/** Given names that are words of the calendar too; alone they name nobody. */
const CALENDAR = new Set(["April", "May", "June", "August", "Autumn", "Summer", "Sunday", "Monday", "Friday"]);
/** Shorter given names alone name nobody: `Al`, `Bo`. */
const SHORTEST = 3;
/** Letters of the excerpt before and after the name. */
const AROUND = 30;

const words = (text: string) => [...text.matchAll(/[\p{L}\p{M}][\p{L}\p{M}'’-]*/gu)];
/** A name in a comment may stand in the genitive. */
const bare = (word: string) => word.replace(/['’]s?$/u, "");

const namesOf = keptBy({
  owner: ({ students }: CourseState) => students,
  make: (_, state) => {
    const byGiven = new Map<string, Student[]>();
    for (const student of studentsOf(state)) {
      const [first = ""] = student.givenName.split(/\s+/);
      if (first !== "") byGiven.set(first, [...(byGiven.get(first) ?? []), student]);
    }
    return byGiven;
  },
});

/**
 * Another student's name in a comment to one: their given name inside a sentence, or in front of a comma, or with their
 * family name. Never their own name, that of a namesake's, or of a member of their group. Common practice, no source.
 */
export function namedOther(
  state: CourseState,
  assignment: Assignment,
  studentId: StudentId,
  text: string,
): NamedOther | null {
  const byGiven = namesOf(state);
  const near = groupMembers(state, assignment.id, studentId).map((id) => state.students[id]);
  const own = new Set([state.students[studentId], ...near].flatMap((one) => one?.givenName.split(/\s+/) ?? []));
  const found = words(text);
  for (const [at, match] of found.entries()) {
    const name = bare(match[0]);
    const those = byGiven.get(name);
    if (!those || own.has(name)) continue;
    const follows = bare(found[at + 1]?.[0] ?? "");
    const full = those.find(({ familyName }) => familyName !== "" && familyName.split(/\s+/)[0] === follows);
    const before = text.slice(0, match.index).trimEnd();
    const opens = before === "" || /[.!?:\n*_(-]$/.test(before);
    const spokenTo = text[match.index + match[0].length] === ",";
    const namesAlone = name.length >= SHORTEST && !CALENDAR.has(name);
    if (!full && (!namesAlone || (opens && !spokenTo && match[0] === name))) continue;
    const other = full ?? those[0];
    if (!other) continue;
    const excerpt = text.slice(Math.max(0, match.index - AROUND), match.index + match[0].length + AROUND);
    return { name: full ? fullName(other) : name, otherId: other.id, excerpt: excerpt.replace(/\s+/g, " ").trim() };
  }
  return null;
}
