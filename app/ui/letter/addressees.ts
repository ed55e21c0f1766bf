import type { AssignmentId, StudentId } from "#core/kernel";
import { courseOf, dueFor, fullName, type CourseState } from "#core/model";
import { visibleTo, visibleTotals } from "#core/release";
import { momentText, scoreWords } from "#core/words";
import type { Addressee } from "./letter-writer";
import { inMark } from "../words/figures";

/**
 * Students as a letter addresses them. Scores and totals are what they can see, never what is sealed: a field for one that
 * is sealed has nothing to be filled with.
 */
export function addresseesOf(
  state: CourseState,
  studentIds: readonly StudentId[],
  assignmentOf: (studentId: StudentId) => readonly AssignmentId[],
): Addressee[] {
  const { title, timeZone } = courseOf(state);
  return studentIds.flatMap((id) => {
    const student = state.students[id];
    if (!student) return [];
    const about = assignmentOf(id).flatMap((one) => state.assignments[one] ?? []);
    const [only, ...others] = about;
    const visible = visibleTo(state, id);
    const score =
      only && others.length === 0 ? visible.find(({ assignment }) => assignment.id === only.id)?.score : null;
    const total = visibleTotals(state, id).find((copy) => copy.id === "course");
    return [
      {
        id,
        name: fullName(student),
        email: student.email,
        values: {
          given: student.givenName,
          name: fullName(student),
          number: student.number,
          course: title,
          assignment: about.map(({ name }) => name).join(", "),
          due: about
            .flatMap((one) => dueFor(state, one, id) ?? [])
            .map((due) => momentText(due, timeZone))
            .join(", "),
          ...(score && { score: inMark(scoreWords(score)) }),
          ...(total && { total: total.shows === "percent" ? `${total.text} %` : total.text }),
        },
      },
    ];
  });
}
