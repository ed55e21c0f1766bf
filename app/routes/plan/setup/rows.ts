import {
  toLocalText,
  fromDecimal,
  roundToText,
  sum,
  type Instant,
  type SectionId,
  type StudentId,
  type TermId,
} from "#core/kernel";
import {
  assignmentsOf,
  categoriesOf,
  courseOf,
  leftStudentsOf,
  rosterName,
  studentsOf,
  termsOf,
  type Course,
  type CourseState,
} from "#core/model";
import type { EntryCell } from "#core/changes";
import { newcomersOf } from "#core/release";
import { termOf } from "#core/totals";
import { inMark } from "../../../ui/words/figures";

/** A student as a line of the roster. */
export interface RosterRow {
  readonly id: StudentId;
  readonly name: string;
  readonly number: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly email: string;
  readonly sectionId: SectionId | null;
}

export interface SetupRows {
  readonly course: Course;
  /** Nothing is planned yet, so the plan of another course can be taken over. */
  readonly blank: boolean;
  readonly numbers: readonly string[];
  readonly students: readonly RosterRow[];
  /** Students who have left, with what is known of them. */
  readonly left: readonly { readonly id: StudentId; readonly name: string; readonly number: string }[];
  /** Who seems to have joined late: their names, and the cells that would excuse them from earlier work. */
  readonly newcomers: {
    readonly names: readonly string[];
    readonly work: number;
    readonly cells: readonly EntryCell[];
  } | null;
  readonly sections: readonly { readonly id: SectionId; readonly name: string; readonly students: number }[];
  readonly terms: readonly TermRow[];
  /** The sum of the terms' weights, where there are any. */
  readonly termWeights: string | null;
}

/** A term with its dates as fields show them. */
export interface TermRow {
  readonly id: TermId;
  readonly name: string;
  readonly weight: string;
  readonly from: string;
  readonly to: string;
  readonly assignments: number;
}

export function setupRows(state: CourseState, now: Instant): SetupRows {
  const course = courseOf(state);
  const students = studentsOf(state);
  const terms = termsOf(state);
  const work = assignmentsOf(state);
  return {
    course,
    blank: work.length === 0 && categoriesOf(state).length === 0,
    numbers: Object.values(state.students).map(({ number }) => number),
    left: leftStudentsOf(state).map((student) => ({
      id: student.id,
      name: rosterName(state, student),
      number: student.number,
    })),
    newcomers: newcomersIn(state, now),
    students: students.map((student) => ({ ...student, name: rosterName(state, student) })),
    sections: Object.values(state.sections)
      .sort((a, b) => a.order - b.order)
      .map(({ id, name }) => ({ id, name, students: students.filter(({ sectionId }) => sectionId === id).length })),
    terms: terms.map(({ id, name, weight, startsAt, endsAt }) => ({
      id,
      name,
      weight,
      from: toLocalText(startsAt, course.timeZone),
      to: toLocalText(endsAt, course.timeZone),
      assignments: work.filter((assignment) => termOf(terms, assignment) === id).length,
    })),
    termWeights:
      terms.length === 0
        ? null
        : inMark(roundToText(sum(terms.map(({ weight }) => fromDecimal(weight))), 1).replace(/\.0$/, "")),
  };
}

function newcomersIn(state: CourseState, now: Instant): SetupRows["newcomers"] {
  const found = newcomersOf(state, now);
  return (
    found && {
      names: found.studentIds.flatMap((id) => {
        const student = state.students[id];
        return student ? [rosterName(state, student)] : [];
      }),
      work: found.work.length,
      cells: found.studentIds.flatMap((studentId) =>
        found.work.map((assignmentId) => ({ assignmentId, studentId, text: "x" })),
      ),
    }
  );
}
