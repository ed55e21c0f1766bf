import {
  toLocalText,
  type AssignmentId,
  type CategoryId,
  type RubricId,
  type ScaleId,
  type StudentId,
} from "#core/kernel";
import {
  categoriesOf,
  courseOf,
  rosterName,
  groupOf,
  recordsOf,
  studentsOf,
  termsOf,
  type Assignment,
  type CourseState,
} from "#core/model";
import { figuresOf, termOf } from "#core/totals";

interface Named<I extends string> {
  readonly id: I;
  readonly name: string;
}

export interface AssignmentRows {
  readonly timeZone: string;
  readonly given: string;
  readonly due: string;
  /** The term the work counts in, or why it counts in none; null in a course without terms. */
  readonly term: { readonly words: string; readonly fault: boolean } | null;
  readonly categories: readonly Named<CategoryId>[];
  readonly scales: readonly Named<ScaleId>[];
  readonly rubrics: readonly Named<RubricId>[];
  readonly outcomeRubrics: readonly Named<RubricId>[];
  readonly students: readonly (Named<StudentId> & { readonly group: string })[];
  readonly scored: number;
}

/** What the page of one assignment shows beside its own fields. */
export function assignmentRows(state: CourseState, assignment: Assignment): AssignmentRows {
  const { timeZone } = courseOf(state);
  const terms = termsOf(state);
  const term = terms.find(({ id }) => id === termOf(terms, assignment));
  const { figure } = figuresOf(state);
  const students = studentsOf(state);
  const rubrics = Object.values(state.rubrics);
  return {
    timeZone,
    given: toLocalText(assignment.givenAt, timeZone),
    due: toLocalText(assignment.dueAt, timeZone),
    term:
      terms.length === 0
        ? null
        : term
          ? { words: `Counts in ${term.name}.`, fault: false }
          : {
              words:
                assignment.dueAt === null
                  ? "Without a due date it counts in no term."
                  : "Due outside every term: it counts in none.",
              fault: true,
            },
    categories: categoriesOf(state),
    scales: Object.values(state.scales),
    rubrics: rubrics.filter(({ purpose }) => purpose === "score"),
    outcomeRubrics: rubrics.filter(({ purpose }) => purpose === "outcomes"),
    students: students.map((student) => ({
      id: student.id,
      name: rosterName(state, student),
      group: groupOf(state, assignment.id, student.id)?.name ?? "",
    })),
    scored: students.filter(({ id }) => figure(assignment.id, id).counted !== null).length,
  };
}

/** What goes with an assignment, in a sentence. */
export function lossWords(state: CourseState, id: AssignmentId): string {
  const count = (table: "results" | "handIns" | "notes") =>
    recordsOf(state, table).filter(({ assignmentId }) => assignmentId === id).length;
  const [results, handIns, notes] = [count("results"), count("handIns"), count("notes")];
  if (results + handIns + notes === 0) return "Nothing is recorded for it yet. Undo brings it back.";
  return `With it go ${String(results)} results, ${String(handIns)} hand-ins and ${String(notes)} notes. Undo brings all of it back.`;
}
