import {
  keptBy,
  once,
  required,
  type AssignmentId,
  type CategoryId,
  type Exact,
  type StudentId,
  type TermId,
} from "#core/kernel";
import { cutAt, moderationOf, resultKey, studentsOf, type Assignment, type CourseState } from "#core/model";
import type { CategoryTotal } from "../rules/category-total";
import { planOf, type CoursePlan } from "../rules/course-plan";
import { categoryTotals, evaluate, itemOf, type Evaluated, type ItemSource } from "../rules/evaluate";
import { figureOf, type Figure } from "../rules/figure";
import { assignmentBasis } from "./assignment-basis";
import { letterOf } from "../rules/letters";

/** A total under its three outlooks, in percent; null while nothing counts. */
export interface Outlooks {
  readonly lowest: Exact | null;
  readonly now: Exact | null;
  readonly highest: Exact | null;
}

/** The totals of one student: each category now, and the course and its terms lowest, now and highest. */
export interface StudentTotals extends Outlooks {
  readonly categories: ReadonlyMap<CategoryId, CategoryTotal>;
  /** Empty in a course without terms. */
  readonly terms: ReadonlyMap<TermId, Outlooks>;
  readonly letter: string | null;
}

/** What counts of each assignment for one student, and every total with what it rests on, as things stand now. */
export interface EvaluatedNow {
  readonly source: ItemSource;
  readonly evaluated: Evaluated;
}

/** Every figure of a course. */
export interface CourseFigures {
  readonly figure: (assignmentId: AssignmentId, studentId: StudentId) => Figure;
  readonly totals: (studentId: StudentId) => StudentTotals;
  readonly evaluatedNow: (studentId: StudentId) => EvaluatedNow;
  /** All figures of a student in the order of the state's assignments; the same list until one of them is another. */
  readonly figures: (studentId: StudentId) => readonly Figure[];
}

/** All figures of a state; each is computed when first asked for and then kept with the state. */
export const figuresOf = keptBy({
  owner: (state: CourseState) => state,
  make: (_, state): CourseFigures => {
    const figures = new Map<string, Figure>();
    const students = new Map<StudentId, StudentFigures>();
    const figure = (assignmentId: AssignmentId, studentId: StudentId): Figure => {
      const key = resultKey(assignmentId, studentId);
      let value = figures.get(key);
      if (!value) {
        value = figureOf(state, required(state.assignments[assignmentId], "assignment"), studentId);
        figures.set(key, value);
      }
      return value;
    };
    const studentOf = (studentId: StudentId): StudentFigures => {
      let value = students.get(studentId);
      if (!value) students.set(studentId, (value = studentFigures(state, studentId, figure)));
      return value;
    };
    return {
      figure,
      totals: (studentId) => studentOf(studentId).totals(),
      evaluatedNow: (studentId) => studentOf(studentId).evaluatedNow(),
      figures: (studentId) => studentOf(studentId).figures,
    };
  },
});

/** The assignments of a state, in the order of a student's figures. */
const idsOf = keptBy({
  owner: ({ assignments }: CourseState) => assignments,
  make: (_, { assignments }): readonly AssignmentId[] => Object.values(assignments).map(({ id }) => id),
});

/** Stands for all records of one assignment: the same object as long as none of its tables is another. */
const assignmentRecords = keptBy({
  owner: ({ assignments }: CourseState, _: AssignmentId) => assignments,
  part: (_, id) => id,
  basis: (state, id) => ({
    results: cutAt(state, "results", id),
    handIns: cutAt(state, "handIns", id),
    judgements: cutAt(state, "judgements", id),
    answers: cutAt(state, "answers", id),
    moderation: moderationOf(state, id),
    secondMarks: moderationOf(state, id) ? state.secondMarks : null,
  }),
  most: 2,
  make: (_, __, id): object => ({ id }),
});

/** What all figures of a state rest on beside its plan. */
interface FiguresBasis {
  /** Tables that the figures of every assignment rest on. */
  readonly shared: Readonly<Pick<CourseState, "rubrics" | "scales" | "groups" | "questions">>;
  /** The records of each assignment, in the order of a student's figures. */
  readonly records: readonly object[];
}

const basisOf = keptBy({
  owner: (state: CourseState) => state,
  make: (_, state): FiguresBasis => {
    const { rubrics, scales, groups, questions } = state;
    return {
      shared: { rubrics, scales, groups, questions },
      records: idsOf(state).map((id) => assignmentRecords(state, id)),
    };
  },
});

/**
 * Places of the assignments whose figures may have changed between two bases of one plan; null for all. Every student in
 * view asks about the same two bases, so the answer is kept.
 */
const changedBetween = keptBy({
  owner: (_: FiguresBasis, after: FiguresBasis) => after,
  basis: (before) => ({ before }),
  make: (_, before, after): readonly number[] | null => {
    const shared = Object.keys(after.shared) as (keyof FiguresBasis["shared"])[];
    if (shared.some((table) => before.shared[table] !== after.shared[table])) return null;
    return after.records.flatMap((records, at) => (records === before.records[at] ? [] : [at]));
  },
});

interface StudentFigures {
  readonly basis: FiguresBasis;
  readonly figures: readonly Figure[];
  readonly evaluatedNow: () => EvaluatedNow;
  readonly totals: () => StudentTotals;
}

/**
 * A student's figures and totals, taken from before where neither the plan nor one of their figures is another one. Only
 * figures of assignments in which anything has changed are looked at.
 */
const studentFigures = keptBy({
  owner: (state: CourseState, _: StudentId, _figure: CourseFigures["figure"]) => planOf(state),
  part: (_, studentId) => studentId,
  basis: (state) => ({ basis: basisOf(state) }),
  most: 2,
  make: (before: StudentFigures | undefined, state, studentId, figure): StudentFigures => {
    const basis = basisOf(state);
    const ids = idsOf(state);
    const changed = before ? changedBetween(before.basis, basis) : null;
    const figures = before && changed ? [...before.figures] : ids.map((id) => figure(id, studentId));
    for (const at of changed ?? []) figures[at] = figure(required(ids[at], "assignment"), studentId);
    const same = before && (changed ?? [...ids.keys()]).every((at) => before.figures[at] === figures[at]);
    if (same) return { ...before, basis };
    return { basis, figures, ...totalsWhenAsked(planOf(state), ids, figures) };
  },
});

/** A student's totals, worked out when they are first asked for. They hold on to no state of the course, which may be an old one by then. */
function totalsWhenAsked(
  plan: CoursePlan,
  ids: readonly AssignmentId[],
  figures: readonly Figure[],
): Pick<StudentFigures, "evaluatedNow" | "totals"> {
  const evaluatedNow = once((): EvaluatedNow => {
    const source = sourceOf(ids, figures);
    return { source, evaluated: evaluate(plan, source, "now") };
  });
  return { evaluatedNow, totals: once(() => studentTotals(plan, evaluatedNow())) };
}

/** Where each assignment stands among a student's figures. */
const placesOf = keptBy({
  owner: (ids: readonly AssignmentId[]) => ids,
  make: (_, ids): ReadonlyMap<AssignmentId, number> => new Map(ids.map((id, at) => [id, at])),
});

/** What counts of each assignment, from a student's figures in the order of the state's assignments. */
function sourceOf(ids: readonly AssignmentId[], figures: readonly Figure[]): ItemSource {
  const placed = placesOf(ids);
  const items = new Map<AssignmentId, ReturnType<ItemSource>>();
  return (assignment) => {
    let item = items.get(assignment.id);
    if (!item) {
      item = itemOf(assignment, required(figures[placed.get(assignment.id) ?? -1], "figure"));
      items.set(assignment.id, item);
    }
    return item;
  };
}

function studentTotals(plan: CoursePlan, { source, evaluated }: EvaluatedNow): StudentTotals {
  const now = evaluated.percent;
  const [lowest, highest] = [evaluate(plan, source, "lowest"), evaluate(plan, source, "highest")];
  const ofTerm = ({ terms }: Evaluated, at: number) => terms[at]?.total.percent ?? null;
  return {
    categories: categoryTotals(plan, source, "now", evaluated),
    terms: new Map(
      evaluated.terms.flatMap(({ term, total }, at) =>
        term ? [[term.id, { lowest: ofTerm(lowest, at), now: total.percent, highest: ofTerm(highest, at) }]] : [],
      ),
    ),
    lowest: lowest.percent,
    now,
    highest: highest.percent,
    letter: now && letterOf(plan.course, now),
  };
}

/** How the papers of one assignment stand, as counts of students. */
export interface Progress {
  readonly students: number;
  /** Nothing came in and nothing is decided. */
  readonly notIn: number;
  readonly waiting: number;
  /** Scored, or missing with the matter decided. */
  readonly scored: number;
  readonly missing: number;
  readonly excused: number;
}

/** How the papers of one assignment stand; counted again only when something of that assignment has changed. */
export const progressOf = keptBy({
  owner: (_: CourseState, assignment: Assignment) => assignment,
  basis: assignmentBasis,
  most: 2,
  make: (_, ...given) => countProgress(...given),
});

function countProgress(state: CourseState, assignment: Assignment): Progress {
  const { figure } = figuresOf(state);
  const all = studentsOf(state).map((student) => figure(assignment.id, student.id));
  const count = (test: (figure: Figure) => boolean) => all.filter(test).length;
  return {
    students: all.length,
    notIn: count((f) => f.standing === "expected"),
    waiting: count((f) => f.waiting),
    scored: count((f) => f.standing === "handedIn" && f.counted !== null),
    missing: count((f) => f.standing === "missing"),
    excused: count((f) => f.standing === "excused"),
  };
}

/** Whether anything handed in for an assignment waits to be scored; only what was handed in is looked at. */
export function hasWaiting(state: CourseState, assignment: Assignment): boolean {
  const { figure } = figuresOf(state);
  return Object.values(cutAt(state, "handIns", assignment.id) ?? {}).some(
    ({ studentId }) => state.students[studentId] !== undefined && figure(assignment.id, studentId).waiting,
  );
}
