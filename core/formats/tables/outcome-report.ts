import type { StudentId } from "#core/kernel";
import { assignmentsOf, courseOf, studentsOf, type Assignment, type CourseState } from "#core/model";
import { outcomeRows, type OutcomeRow } from "#core/scoring";
import { writeCsv, type Cell } from "./csv";

/** A level given, by its number from the lowest, 1, and its name. */
export interface LevelGiven {
  readonly number: number;
  readonly name: string;
}

/** One outcome over all work that judges it. */
export interface OutcomeReport {
  /** A criterion of an outcome rubric, or an outcome scale. */
  readonly id: string;
  readonly name: string;
  /** The rubric it belongs to; the scale's own name where it is one. */
  readonly from: string;
  /** Names of its levels, from the lowest up. */
  readonly levels: readonly string[];
  /** The work that judges it, by due date. */
  readonly work: readonly Pick<Assignment, "id" | "name" | "shortName">[];
  readonly students: readonly {
    readonly studentId: StudentId;
    /** One for each piece of work; null where it is open. */
    readonly given: readonly (LevelGiven | null)[];
    /** The newest one given, by due date of the work. */
    readonly latest: LevelGiven | null;
    readonly highest: LevelGiven | null;
  }[];
}

/** Every outcome that some work of the course judges, each over all of that work. Figures of the score are no part of it. */
export function outcomeReports(state: CourseState): OutcomeReport[] {
  const students = studentsOf(state);
  const dated = assignmentsOf(state).sort((a, b) => (a.dueAt ?? "9").localeCompare(b.dueAt ?? "9"));
  const reports = new Map<string, { readonly about: OutcomeRow; readonly work: JudgedWork[] }>();
  for (const assignment of dated) {
    const rows = students.map((student) => outcomeRows(state, assignment, student));
    for (const [place, about] of (rows[0] ?? []).entries()) {
      const work = { assignment, given: rows.map((own) => levelGiven(own[place])) };
      const known = reports.get(about.key);
      if (known) known.work.push(work);
      else reports.set(about.key, { about, work: [work] });
    }
  }
  return [...reports.values()].map(({ about: { key, name, from, levels }, work }) => ({
    id: key,
    name,
    from,
    levels: levels.map((level) => level.name),
    work: work.map(({ assignment: { id, name: title, shortName } }) => ({ id, name: title, shortName })),
    students: students.map(({ id }, row) => {
      const given = work.map((one) => one.given[row] ?? null);
      const all = given.filter((level) => level !== null);
      const highest = all.reduce<LevelGiven | null>(
        (best, one) => (best && best.number >= one.number ? best : one),
        null,
      );
      return { studentId: id, given, latest: all.at(-1) ?? null, highest };
    }),
  }));
}

/** A piece of work that judges an outcome, and the level of every student on the roster. */
interface JudgedWork {
  readonly assignment: Assignment;
  readonly given: readonly (LevelGiven | null)[];
}

const levelGiven = (row: OutcomeRow | undefined): LevelGiven | null => {
  const level = row && row.given !== null ? row.levels[row.given - 1] : undefined;
  return row?.given && level ? { number: row.given, name: level.name } : null;
};

/** Outcomes as CSV: one line for each level given, by outcome, then work, then student. */
export function outcomesCsv(state: CourseState): string {
  const text = (value: string): Cell => ({ text: value });
  const rows = outcomeReports(state).flatMap(({ name, from, work, students }) =>
    work.flatMap((assignment, place) =>
      students.flatMap(({ studentId, given }): Cell[][] => {
        const [level, student] = [given[place], state.students[studentId]];
        if (!level || !student) return [];
        const who = [student.number, student.familyName, student.givenName];
        return [
          [...[from, name, assignment.name, ...who].map(text), { figure: String(level.number) }, text(level.name)],
        ];
      }),
    ),
  );
  const head = ["Rubric", "Outcome", "Work", "Student number", "Family name", "Given name", "Level", "Level name"];
  return writeCsv([head.map(text), ...rows], courseOf(state).decimalMark);
}
