import { roundToText, sameValue } from "#core/kernel";
import {
  courseOf,
  listName,
  namesBy,
  studentsOf,
  termsOf,
  type CourseState,
  type DecimalMark,
  type GradeExport,
} from "#core/model";
import { figuresOf } from "#core/totals";
import { writeCsv, type Cell } from "./csv";

/** One student's final grade as it is exported. */
export type FinalGrade = GradeExport["grades"][number];

/** Everyone's final grade as the course stands, in the order of the roster. */
export function finalGrades(state: CourseState): FinalGrade[] {
  const { percentPlaces } = courseOf(state);
  const { totals } = figuresOf(state);
  return studentsOf(state).map((student) => {
    const { now, letter, terms } = totals(student.id);
    const ofTerms = termsOf(state).map(({ id, name }) => {
      const total = terms.get(id)?.now ?? null;
      return { name, percent: total && roundToText(total, percentPlaces) };
    });
    return {
      studentId: student.id,
      number: student.number,
      name: listName(student, namesBy(state)),
      percent: now && roundToText(now, percentPlaces),
      letter,
      ...(ofTerms.length > 0 && { terms: ofTerms }),
    };
  });
}

/** What stands between final grades and their export: papers not scored, and work not in and not decided. */
export function openBeforeGrades(state: CourseState): { readonly waiting: number; readonly undecided: number } {
  let [waiting, undecided] = [0, 0];
  const { figures } = figuresOf(state);
  for (const { id } of studentsOf(state)) {
    for (const figure of figures(id)) {
      const assignment = state.assignments[figure.assignmentId];
      if (!assignment || assignment.hidden || !assignment.counts) continue;
      if (figure.waiting) waiting += 1;
      else if (figure.standing === "expected" && !assignment.bonus) undecided += 1;
    }
  }
  return { waiting, undecided };
}

/** Final grades as CSV for a registrar: number, name, the terms where there are any, percent, letter. */
export function finalGradesCsv(grades: readonly FinalGrade[], mark: DecimalMark): string {
  const text = (value: string): Cell => ({ text: value });
  const figure = (percent: string | null): Cell => (percent === null ? text("") : { figure: percent });
  const terms = grades[0]?.terms?.map(({ name }) => `${name} (%)`) ?? [];
  return writeCsv(
    [
      ["Student number", "Name", ...terms, "Total (%)", "Letter"].map(text),
      ...grades.map(({ number, name, percent, letter, terms: own = [] }) => [
        text(number),
        text(name),
        ...own.map((term) => figure(term.percent)),
        figure(percent),
        text(letter ?? ""),
      ]),
    ],
    mark,
  );
}

/** A grade that is another now than it was when it was exported; null where it was not, or is not any more. */
export interface GradeDifference {
  readonly name: string;
  readonly number: string;
  readonly old: FinalGrade | null;
  readonly present: FinalGrade | null;
}

/** Kept grades against others, student by student: only those that differ. */
export function gradeDifferences(kept: readonly FinalGrade[], present: readonly FinalGrade[]): GradeDifference[] {
  const ids = [...new Set([...present, ...kept].map(({ studentId }) => studentId))];
  return ids.flatMap((id): GradeDifference[] => {
    const [old, now] = [kept, present].map((list) => list.find(({ studentId }) => studentId === id) ?? null);
    const sameTerms = !old?.terms || sameValue(old.terms, now?.terms);
    if (old && now && old.percent === now.percent && old.letter === now.letter && sameTerms) return [];
    const { name, number } = now ?? old ?? { name: "", number: "" };
    return [{ name, number, old: old ?? null, present: now ?? null }];
  });
}
