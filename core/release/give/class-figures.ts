import {
  add,
  compare,
  divide,
  fractionText,
  keptBy,
  multiply,
  once,
  ratio,
  roundToText,
  sum,
  whole,
  ZERO,
  type Exact,
  type StudentId,
} from "#core/kernel";
import { studentsOf, type Assignment, type ClassFiguresCopy, type CourseState } from "#core/model";
import { assignmentBasis, figuresOf } from "#core/totals";

/** Class figures over fewer students than this tell too much about single ones (handbook, section 8). */
const SMALLEST_CLASS = 5;

/** Whether class figures over so many students tell too much about single ones. */
export const classFigureLeaks = (students: number): boolean => students < SMALLEST_CLASS;

/** The papers class figures are over: each student's counted value, as a fraction. */
export type ClassPapers = ReadonlyMap<StudentId, string>;

/**
 * How many papers the change from one set of class figures to the next is about: those that are in one only, or with
 * another value. The difference of two sums is a figure over those few alone.
 */
export function papersBetween(before: ClassPapers, after: ClassPapers): number {
  const all = new Set([...before.keys(), ...after.keys()]);
  return [...all].filter((id) => before.get(id) !== after.get(id)).length;
}

/** Whether two sets of class figures, seen one after the other, tell too much about the few papers between them. */
export function classDifferenceLeaks(before: ClassPapers, after: ClassPapers): boolean {
  const between = papersBetween(before, after);
  return between > 0 && classFigureLeaks(between);
}

/** An assignment's class figures, and what they are over: the counted values rising, and by student. */
interface ClassScores {
  readonly scored: readonly Exact[];
  readonly papers: ClassPapers;
  /** Worked out once for all who are given them. */
  readonly figures: () => ClassFiguresCopy | null;
}

const scoredOf = keptBy({
  owner: (_: CourseState, assignment: Assignment) => assignment,
  basis: assignmentBasis,
  most: 2,
  make: (_, state, assignment): ClassScores => {
    const { figure } = figuresOf(state);
    const papers = studentsOf(state).flatMap(({ id }) => {
      const { standing, counted } = figure(assignment.id, id);
      return standing === "handedIn" && counted ? [[id, counted] as const] : [];
    });
    const scored = papers.map(([, counted]) => counted).sort(compare);
    return {
      scored,
      papers: new Map(papers.map(([id, counted]) => [id, fractionText(counted)])),
      figures: once(() => figuresOver(scored, assignment)),
    };
  },
});

/** The papers an assignment's class figures would be over now. */
export const classPapers = (state: CourseState, assignment: Assignment): ClassPapers =>
  scoredOf(state, assignment).papers;

/** How many papers of an assignment class figures would be over. */
export const scoredCount = (state: CourseState, assignment: Assignment): number =>
  scoredOf(state, assignment).scored.length;

function medianOf(rising: readonly Exact[]): Exact {
  const at = (index: number) => rising[index] ?? ZERO;
  const half = Math.floor(rising.length / 2);
  return rising.length % 2 === 1 ? at(half) : multiply(add(at(half - 1), at(half)), ratio(1n, 2n));
}

function figuresOver(scored: readonly Exact[], assignment: Assignment): ClassFiguresCopy | null {
  if (classFigureLeaks(scored.length)) return null;
  return {
    students: scored.length,
    mean: roundToText(divide(sum(scored), whole(scored.length)), 1),
    median: roundToText(medianOf(scored), 1),
    maximum: assignment.points,
  };
}

/** Mean and median of an assignment as they would be given out, in points; null where they are over too few papers. */
export const classFiguresOf = (state: CourseState, assignment: Assignment): ClassFiguresCopy | null =>
  scoredOf(state, assignment).figures();
