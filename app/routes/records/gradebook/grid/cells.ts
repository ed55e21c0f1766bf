import {
  divide,
  HUNDRED,
  fromDecimal,
  keptBy,
  multiply,
  pointsText,
  roundToText,
  type Exact,
  type TermId,
} from "#core/kernel";
import { courseOf, levelGiven, type Assignment, type Course, type CourseState } from "#core/model";
import { outcomeMarks, outcomeRows } from "#core/scoring";
import { letterOf, type Figure, type Outlooks, type StudentTotals } from "#core/totals";
import { latenessShort } from "#core/words";
import { figuresMark, inMark } from "../../../../ui/words/figures";

export type CellLook = "figure" | "waiting" | "missing" | "excused" | "open" | "setByHand";

/** How figures are shown: one way, or two beside each other. */
export const FIGURE_MODES = [
  "points",
  "percent",
  "letter",
  "points-percent",
  "percent-points",
  "percent-letter",
] as const;
/** How figures are shown. */
export type FigureMode = (typeof FIGURE_MODES)[number];
type Way = "points" | "percent" | "letter";

/** A result as a cell shows it. */
export interface GradeCell {
  readonly text: string;
  /** The second figure; empty where one is shown. */
  readonly second: string;
  readonly look: CellLook;
  /** `2 d` where the work was late. */
  readonly late: string;
  readonly above: boolean;
  /** Levels of the outcomes, `31-`; empty where none is given. */
  readonly outcomes: string;
}

/** A student's total as the gradebook shows it. */
export interface TotalCell {
  readonly now: string;
  readonly range: string;
  readonly letter: string;
  /** The totals of the terms, where the course's is shown. */
  readonly terms: readonly string[];
}

const percentOf = (counted: Exact, { points }: Assignment): Exact | null =>
  points === "0" ? null : divide(multiply(counted, HUNDRED), fromDecimal(points));

function inWay(way: Way, course: Course, assignment: Assignment, counted: Exact): string {
  const percent = way === "points" ? null : percentOf(counted, assignment);
  if (percent === null) return inMark(pointsText(counted));
  if (way === "letter") return letterOf(course, percent) ?? "–";
  return `${inMark(roundToText(percent, course.percentPlaces))} %`;
}

/**
 * The cell of a figure; made once for each way of showing it. Figures are the same objects as long as nothing they rest
 * on changes; so are the cells made from them.
 */
export const cellOf = keptBy({
  owner: (_state: CourseState, _assignment: Assignment, figure: Figure, _mode: FigureMode) => figure,
  part: (_state, _assignment, _figure, mode) => mode,
  basis: () => ({ mark: figuresMark() }),
  make: (_, ...given) => makeCell(...given),
});

function makeCell(state: CourseState, assignment: Assignment, figure: Figure, mode: FigureMode): GradeCell {
  const course = courseOf(state);
  const late = figure.unitsLate > 0 ? latenessShort(figure.unitsLate, course.lateRule?.unitHours ?? 24) : "";
  const outcomes = outcomeMarks(outcomeRows(state, assignment, { id: figure.studentId }));
  const base = { late, above: figure.aboveMaximum, second: "", outcomes };
  if (figure.standing === "missing" || figure.standing === "excused") {
    // Bonus work that is not done is declined; nobody is excused from a gift.
    return { ...base, late: "", text: assignment.bonus ? "declined" : figure.standing, look: figure.standing };
  }
  if (figure.counted) {
    const [first, second] = mode.split("-") as [Way, Way | undefined];
    return {
      ...base,
      text: levelName(state, assignment, figure) ?? inWay(first, course, assignment, figure.counted),
      second: second ? inWay(second, course, assignment, figure.counted) : "",
      look: figure.source === "setByHand" ? "setByHand" : "figure",
    };
  }
  if (figure.wordsOnly) return { ...base, text: levelName(state, assignment, figure) ?? "judged", look: "figure" };
  return figure.waiting
    ? { ...base, text: "waiting", look: "waiting" }
    : { ...base, late: "", text: "·", look: "open" };
}

/** The name of the level a figure came from, where the assignment is scored on a scale. */
const levelName = (state: CourseState, assignment: Assignment, figure: Figure): string | null =>
  figure.source === "setByHand" ? null : levelGiven(state, assignment, figure.studentId);

const NO_TOTAL: Outlooks = { lowest: null, now: null, highest: null };

/** The total of a student, of a term where one is chosen, as text; made once for each total. A letter is the course's. */
export const totalCellOf = keptBy({
  owner: (_: Course, student: StudentTotals, termId: TermId | null) => outlooksOf(student, termId),
  basis: ({ percentPlaces }) => ({ percentPlaces, mark: figuresMark() }),
  make: (_, { percentPlaces }, student, termId): TotalCell => {
    const totals = outlooksOf(student, termId);
    const text = (value: Exact | null, places: number) => (value ? inMark(roundToText(value, places)) : "–");
    return {
      now: text(totals.now, percentPlaces),
      range: totals.lowest && totals.highest ? `${text(totals.lowest, 0)}–${text(totals.highest, 0)}` : "",
      letter: termId === null ? (student.letter ?? "") : "",
      terms: termId === null ? [...student.terms.values()].map((term) => text(term.now, percentPlaces)) : [],
    };
  },
});

const outlooksOf = (student: StudentTotals, termId: TermId | null): Outlooks =>
  termId === null ? student : (student.terms.get(termId) ?? NO_TOTAL);
