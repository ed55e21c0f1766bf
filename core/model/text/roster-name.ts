import { keptBy } from "#core/kernel";
import { plainText } from "./find-student";
import { fullName, listName, type Student } from "../records/people";
import { namesBy, type CourseState } from "../tables/state";

type Roster = Pick<CourseState, "courses" | "students" | "sections">;

const compared = (student: Student): string => plainText(fullName(student)).replace(/\s+/g, " ");

/** Names that more than one student of a roster bears, as they are compared. */
const sharedNames = keptBy({
  owner: (students: CourseState["students"]) => students,
  make: (_, students): ReadonlySet<string> => {
    const seen = new Set<string>();
    const twice = new Set<string>();
    for (const student of Object.values(students)) (seen.has(compared(student)) ? twice : seen).add(compared(student));
    return twice;
  },
});

/**
 * A student's name where others stand beside it: `Bram Oduya`, or where another bears it too `Bram Oduya, L26051, Heron`.
 * Case and accents tell nobody apart. Where the course lists its students by family name, that comes first.
 */
export function rosterName({ courses, students, sections }: Roster, student: Student): string {
  const name = listName(student, namesBy({ courses }));
  if (!sharedNames(students).has(compared(student))) return name;
  const section = student.sectionId && sections[student.sectionId]?.name;
  return [name, student.number, section].filter(Boolean).join(", ");
}
