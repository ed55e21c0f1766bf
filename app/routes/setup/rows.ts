import { toLocalText, fromDecimal, roundToText, sum, type SectionId, type StudentId, type TermId } from "#core/kernel";
import {
  assignmentsOf,
  categoriesOf,
  courseOf,
  rosterName,
  studentsOf,
  termsOf,
  type Course,
  type CourseState,
} from "#core/model";
import { termOf } from "#core/totals";

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

export function setupRows(state: CourseState): SetupRows {
  const course = courseOf(state);
  const students = studentsOf(state);
  const terms = termsOf(state);
  const work = assignmentsOf(state);
  return {
    course,
    blank: work.length === 0 && categoriesOf(state).length === 0,
    numbers: students.map(({ number }) => number),
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
        : roundToText(sum(terms.map(({ weight }) => fromDecimal(weight))), 1).replace(/\.0$/, ""),
  };
}
