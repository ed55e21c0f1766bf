import { add, compare, divide, multiply, ratio, roundToText, sum, whole, ZERO, type Exact } from "#core/kernel";
import { studentsOf, type Assignment, type ClassFiguresCopy, type CourseState } from "#core/model";
import { figuresOf, keptForAssignment } from "#core/totals";

/** Class figures over fewer students than this tell too much about single ones (handbook, section 8). */
const SMALLEST_CLASS = 5;

/** Whether class figures over so many students tell too much about single ones. */
export const classFigureLeaks = (students: number): boolean => students < SMALLEST_CLASS;

/**
 * Whether two sets of class figures, seen one after the other, tell too much about the few whose scores came between:
 * the difference of two sums is a figure over those few alone.
 */
export const classDifferenceLeaks = (before: Pick<ClassFiguresCopy, "students">, after: number): boolean =>
  before.students !== after && classFigureLeaks(Math.abs(after - before.students));

const kept = keptForAssignment<{ readonly scored: readonly Exact[] }>();

/** The counted values of an assignment's papers, rising: what its class figures are over. */
const scoredOf = (state: CourseState, assignment: Assignment): readonly Exact[] =>
  kept(state, assignment, [], () => {
    const { figure } = figuresOf(state);
    const scored = studentsOf(state).flatMap(({ id }) => {
      const { standing, counted } = figure(assignment.id, id);
      return standing === "handedIn" && counted ? [counted] : [];
    });
    return { scored: scored.sort(compare) };
  }).scored;

/** How many papers of an assignment class figures would be over. */
export const scoredCount = (state: CourseState, assignment: Assignment): number => scoredOf(state, assignment).length;

function medianOf(rising: readonly Exact[]): Exact {
  const at = (index: number) => rising[index] ?? ZERO;
  const half = Math.floor(rising.length / 2);
  return rising.length % 2 === 1 ? at(half) : multiply(add(at(half - 1), at(half)), ratio(1n, 2n));
}

/** Mean and median of an assignment as they would be given out, in points; null where they are over too few papers. */
export function classFiguresOf(state: CourseState, assignment: Assignment): ClassFiguresCopy | null {
  const scored = scoredOf(state, assignment);
  if (classFigureLeaks(scored.length)) return null;
  return {
    students: scored.length,
    mean: roundToText(divide(sum(scored), whole(scored.length)), 1),
    median: roundToText(medianOf(scored), 1),
    maximum: assignment.points,
  };
}
