import { required, type AssignmentId, type CategoryId, type Exact, type StudentId, type TermId } from "#core/kernel";
import { cutAt, studentsOf, type Assignment, type CourseState } from "#core/model";
import type { CategoryTotal } from "../rules/category-total";
import { planOf, type CoursePlan } from "../rules/course-plan";
import { categoryTotals, evaluate, itemOf, type Evaluated, type ItemSource } from "../rules/evaluate";
import { figureOf, type Figure } from "../rules/figure";
import { keptForAssignment } from "./kept-for";
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

/** Every figure of a course. */
export interface CourseFigures {
  readonly figure: (assignmentId: AssignmentId, studentId: StudentId) => Figure;
  readonly totals: (studentId: StudentId) => StudentTotals;
  /** All figures of a student in the order of the state's assignments; the same list until one of them is another. */
  readonly figures: (studentId: StudentId) => readonly Figure[];
}

const known = new WeakMap<CourseState, CourseFigures>();

/** All figures of a state; each is computed when first asked for and then kept with the state. */
export function figuresOf(state: CourseState): CourseFigures {
  const existing = known.get(state);
  if (existing) return existing;
  const figures = new Map<string, Figure>();
  const kept = new Map<StudentId, Kept>();
  const figure = (assignmentId: AssignmentId, studentId: StudentId): Figure => {
    const key = `${assignmentId}/${studentId}`;
    let value = figures.get(key);
    if (!value) {
      value = figureOf(state, required(state.assignments[assignmentId], "assignment"), studentId);
      figures.set(key, value);
    }
    return value;
  };
  const keptOf = (studentId: StudentId): Kept => {
    let value = kept.get(studentId);
    if (!value) {
      value = keptTotals(state, studentId, figure);
      kept.set(studentId, value);
    }
    return value;
  };
  const result: CourseFigures = {
    figure,
    totals: (studentId) => keptOf(studentId).totals,
    figures: (studentId) => keptOf(studentId).figures,
  };
  known.set(state, result);
  return result;
}

interface Kept {
  readonly basis: readonly unknown[];
  readonly figures: readonly Figure[];
  readonly totals: StudentTotals;
}
const keptByPlan = new WeakMap<CoursePlan, Map<StudentId, Kept>>();

/** Tables that the figures of every assignment rest on, before the cuts in a basis. */
const SHARED = 4;
/** Cuts of one assignment in a basis. */
const CUTS = 4;
const bases = new WeakMap<CourseState, readonly unknown[]>();
const idLists = new WeakMap<CourseState["assignments"], readonly AssignmentId[]>();

/** The assignments of a state, in the order of its basis. */
function idsOf({ assignments }: CourseState): readonly AssignmentId[] {
  let ids = idLists.get(assignments);
  if (!ids) idLists.set(assignments, (ids = Object.values(assignments).map(({ id }) => id)));
  return ids;
}

/** What all figures of a state rest on beside its plan: four tables, then four cuts for each assignment. */
function basisOf(state: CourseState): readonly unknown[] {
  let basis = bases.get(state);
  if (!basis) {
    const cuts = idsOf(state).flatMap((id) => [
      cutAt(state, "results", id),
      cutAt(state, "handIns", id),
      cutAt(state, "judgements", id),
      cutAt(state, "answers", id),
    ]);
    basis = [state.rubrics, state.scales, state.groups, state.questions, ...cuts];
    bases.set(state, basis);
  }
  return basis;
}

const changedSince = new WeakMap<
  readonly unknown[],
  { readonly before: readonly unknown[]; readonly at: readonly number[] }
>();

/** Places, among the assignments of a state, of those whose figures may have changed between two bases; null for all. */
function changedBetween(before: readonly unknown[], after: readonly unknown[]): readonly number[] | null {
  if (before.length !== after.length) return null;
  for (let index = 0; index < SHARED; index += 1) if (before[index] !== after[index]) return null;
  // Every student in view asks about the same two bases, so the answer is kept.
  const kept = changedSince.get(after);
  if (kept?.before === before) return kept.at;
  const at = new Set<number>();
  for (let index = SHARED; index < after.length; index += 1) {
    if (before[index] !== after[index]) at.add(Math.floor((index - SHARED) / CUTS));
  }
  changedSince.set(after, { before, at: [...at] });
  return [...at];
}

/**
 * A student's totals, taken from before where neither the plan nor one of their figures is another one. Only figures of
 * assignments in which anything has changed are looked at.
 */
function keptTotals(state: CourseState, studentId: StudentId, figure: CourseFigures["figure"]): Kept {
  const plan = planOf(state);
  const byStudent = keptByPlan.get(plan) ?? new Map<StudentId, Kept>();
  keptByPlan.set(plan, byStudent);
  const basis = basisOf(state);
  const kept = byStudent.get(studentId);
  if (kept?.basis === basis) return kept;
  const ids = idsOf(state);
  const changed = kept ? changedBetween(kept.basis, basis) : null;
  const figures = kept && changed ? [...kept.figures] : ids.map((id) => figure(id, studentId));
  for (const index of changed ?? []) figures[index] = figure(required(ids[index], "assignment"), studentId);
  const same =
    kept !== undefined &&
    (changed
      ? changed.every((at) => kept.figures[at] === figures[at])
      : figures.every((one, at) => one === kept.figures[at]));
  const now = same ? { ...kept, basis } : { basis, figures, totals: studentTotals(state, sourceOf(state, figures)) };
  byStudent.set(studentId, now);
  return now;
}

const places = new WeakMap<readonly AssignmentId[], ReadonlyMap<AssignmentId, number>>();

/** What counts of each assignment, from a student's figures in the order of the state's assignments. */
function sourceOf(state: CourseState, figures: readonly Figure[]): ItemSource {
  const ids = idsOf(state);
  let placed = places.get(ids);
  if (!placed) places.set(ids, (placed = new Map(ids.map((id, at) => [id, at]))));
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

function studentTotals(state: CourseState, source: ItemSource): StudentTotals {
  const plan = planOf(state);
  const evaluated = evaluate(plan, source, "now");
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

const keptProgress = keptForAssignment<Progress>();

/** How the papers of one assignment stand; counted again only when something of that assignment has changed. */
export const progressOf = (state: CourseState, assignment: Assignment): Progress =>
  keptProgress(state, assignment, [], () => countProgress(state, assignment));

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
