import type { StudentId } from "#core/kernel";
import { courseOf, fullName, type Assignment, type CourseState } from "#core/model";
import { codeFor } from "./code-book";
import { guestMark, studentMark, type PaperCode } from "./paper-code";

/** What is printed for one paper: its code, and in clear what a hand sorts by. */
export interface Cover {
  readonly code: string;
  /** Empty on a blank one, on which a guest writes. */
  readonly name: string;
  readonly number: string;
  readonly section: string;
  readonly assignment: string;
  readonly course: string;
}

interface Wish {
  readonly kind: PaperCode["kind"];
  readonly studentIds: readonly StudentId[];
  /** How many blank ones. */
  readonly guests: number;
}

/** Covers in the order of these students, the blank ones last. @throws RangeError for more than 999 blank ones */
export function coversOf(state: CourseState, assignment: Assignment, { kind, studentIds, guests }: Wish): Cover[] {
  const place = { assignment: assignment.name, course: courseOf(state).title };
  const own = studentIds.flatMap((id) => {
    const student = state.students[id];
    if (!student) return [];
    const section = student.sectionId ? (state.sections[student.sectionId]?.name ?? "") : "";
    const code = codeFor(state, kind, { assignmentId: assignment.id, student: studentMark(id) });
    return [{ ...place, code, section, name: fullName(student), number: student.number }];
  });
  const blank = Array.from({ length: guests }, (_, index) => ({
    ...place,
    code: codeFor(state, kind, { assignmentId: assignment.id, student: guestMark(index + 1) }),
    name: "",
    number: "",
    section: "",
  }));
  return [...own, ...blank];
}
