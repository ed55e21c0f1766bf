import { fromDecimal, type Exact, type StudentId } from "#core/kernel";
import { studentsOf, type Assignment, type CourseState } from "#core/model";
import { isGain } from "../rules/category-total";
import { planOf } from "../rules/course-plan";
import { figureOf, type Figure } from "../rules/figure";
import { CELL, FLAG, type FlatCourse } from "./flat-course";
import { TEN_THOUSAND } from "./flat-units";

/** A flat course with the records that its rows and columns stand for. */
export interface Flattened {
  readonly course: FlatCourse;
  readonly studentIds: readonly StudentId[];
  readonly assignments: readonly Assignment[];
}

const inTenThousandths = (value: Exact): number | null => {
  const scaled = value.n * BigInt(TEN_THOUSAND);
  const count = Number(scaled / value.d);
  return scaled % value.d === 0n && Number.isSafeInteger(count) ? count : null;
};

/**
 * A course, or a stretch of its students, as flat arrays; null where it has terms or categories inside others, which are
 * worked out one by one.
 */
export function flatten(state: CourseState, students = studentsOf(state)): Flattened | null {
  const plan = planOf(state);
  if (plan.terms.some(({ term }) => term !== null) || plan.roots.some(({ children }) => children.length > 0))
    return null;
  const columns = plan.roots.flatMap(({ assignments }, category) =>
    assignments.map((assignment) => ({ assignment, category })),
  );
  const cells = students.length * columns.length;
  const course: FlatCourse = {
    rules: plan.course,
    categories: plan.roots.map(({ category }) => category),
    students: students.length,
    assignments: columns.length,
    points: Float64Array.from(columns, ({ assignment }) => inTenThousandths(fromDecimal(assignment.points)) ?? 0),
    category: Int32Array.from(columns, ({ category }) => category),
    flags: Uint8Array.from(columns, ({ assignment }) => flagsOf(assignment)),
    kinds: new Uint8Array(cells),
    values: new Float64Array(cells),
    unitsLate: new Uint16Array(cells),
    fractions: new Map(),
  };
  students.forEach((student, row) => {
    columns.forEach(({ assignment }, column) => {
      writeCell(course, row * columns.length + column, figureOf(state, assignment, student.id), gains(assignment));
    });
  });
  return {
    course,
    studentIds: students.map(({ id }) => id),
    assignments: columns.map(({ assignment }) => assignment),
  };
}

const gains = ({ bonus, points }: Assignment): boolean => isGain({ bonus, points: fromDecimal(points) });

const flagsOf = ({ bonus, counts, alwaysCounts }: Assignment): number =>
  (bonus ? FLAG.bonus : 0) | (counts ? FLAG.counts : 0) | (alwaysCounts ? FLAG.always : 0);

/** A score keeps its lateness; what took a longer way to its value is written down as that value. */
function writeCell(course: FlatCourse, cell: number, figure: Figure, gain: boolean): void {
  const setByHand = figure.source === "setByHand";
  if (figure.standing === "excused") course.kinds[cell] = CELL.excused;
  // A figure set by hand for a missing student counts; bonus work that is missing has no effect either way.
  else if (figure.standing === "missing" && (gain || !setByHand)) course.kinds[cell] = CELL.missing;
  else if (figure.counted === null) course.kinds[cell] = figure.wordsOnly ? CELL.words : CELL.open;
  else {
    const [step] = figure.steps;
    const plain = !setByHand && figure.steps.length === 1 && step;
    const value = plain ? step.scaled : figure.counted;
    const count = inTenThousandths(value);
    course.kinds[cell] = plain ? CELL.score : CELL.fixed;
    course.unitsLate[cell] = plain ? figure.unitsLate : 0;
    if (count !== null) course.values[cell] = count;
    else (course.fractions as Map<number, Exact>).set(cell, value);
  }
}
