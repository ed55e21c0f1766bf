import {
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  pointsText,
  roundToText,
  toNumber,
  type AssignmentId,
  type Exact,
} from "#core/kernel";
import {
  dueFor,
  assignmentsOf,
  categoriesOf,
  courseOf,
  rosterName,
  resultOf,
  studentsOf,
  type Assignment,
  type Course,
  type CourseState,
  type Student,
  levelGiven,
} from "#core/model";
import { bandsFromTop, figuresOf, itemOf, neededFor, planOf, type Figure, type Needed } from "#core/totals";
import { dayText, latenessWords, pointsWords } from "#core/words";
import { inMark } from "../../../ui/words/figures";

/** One assignment as a line of a student's record. */
export interface WorkRow {
  readonly assignmentId: AssignmentId;
  readonly name: string;
  readonly due: string;
  readonly standing: string;
  readonly tone: string;
  readonly figure: string;
  readonly percent: string;
  readonly comment: string;
}

export interface StudentRows {
  readonly name: string;
  readonly subtitle: string;
  readonly before: string | null;
  readonly after: string | null;
  /** Percent from 0 to 100 for drawing, and as displayed; null while nothing counts. */
  readonly outlook: { readonly lowest: Mark; readonly now: Mark; readonly highest: Mark } | null;
  readonly letter: string;
  readonly bounds: readonly { readonly letter: string; readonly at: number }[];
  readonly categories: readonly {
    readonly id: string;
    readonly name: string;
    readonly percent: string;
    readonly work: readonly WorkRow[];
  }[];
  readonly needed: readonly { readonly goal: string; readonly words: string; readonly reached: boolean }[];
  readonly bonus: readonly { readonly name: string; readonly words: string }[];
}

/** A figure to draw and to read. */
export interface Mark {
  readonly at: number;
  readonly text: string;
}

/** Everything of one student over the whole course. */
export function studentRows(state: CourseState, student: Student): StudentRows {
  const course = courseOf(state);
  const { figure, totals } = figuresOf(state);
  const { lowest, now, highest, letter, categories } = totals(student.id);
  const work = assignmentsOf(state);
  const roster = studentsOf(state);
  const at = roster.findIndex(({ id }) => id === student.id);
  const percent = (value: Exact | null | undefined) =>
    value ? `${inMark(roundToText(value, course.percentPlaces))} %` : "";
  const mark = (value: Exact): Mark => ({ at: Math.max(0, Math.min(100, toNumber(value))), text: percent(value) });
  const section = student.sectionId ? state.sections[student.sectionId]?.name : undefined;
  return {
    name: rosterName(state, student),
    subtitle: [student.number, section && `section ${section}`, course.title].filter(Boolean).join(" · "),
    before: roster[at - 1]?.id ?? null,
    after: roster[at + 1]?.id ?? null,
    outlook: lowest && now && highest ? { lowest: mark(lowest), now: mark(now), highest: mark(highest) } : null,
    letter: letter ?? "",
    bounds: bandsFromTop(course.letters).map((band) => ({ letter: band.letter, at: toNumber(fromDecimal(band.from)) })),
    categories: categoriesOf(state).map(({ id, name, weight }) => ({
      id,
      name: weight === null ? name : `${name} · ${inMark(weight)} %`,
      percent: percent(categories.get(id)?.percent),
      work: work
        .filter(({ categoryId }) => categoryId === id)
        .map((one) => workRow(state, course, one, figure(one.id, student.id), student)),
    })),
    needed: neededRows(state, course, student),
    bonus: work
      .filter(({ bonus }) => bonus)
      .map((one) => ({ name: one.name, words: bonusWords(figure(one.id, student.id)) })),
  };
}

const TONES: Readonly<Partial<Record<string, string>>> = {
  missing: "text-wax",
  waiting: "text-ochre",
  excused: "text-soft",
};

function dueText(state: CourseState, course: Course, assignment: Assignment, student: Student): string {
  const due = dueFor(state, assignment, student.id);
  if (due === null) return "";
  return `${dayText(due, course.timeZone)}${due === assignment.dueAt ? "" : ", more time"}`;
}

function workRow(
  state: CourseState,
  course: Course,
  assignment: Assignment,
  figure: Figure,
  student: Student,
): WorkRow {
  const { counted } = figure;
  const late = figure.unitsLate > 0 ? `${latenessWords(figure.unitsLate, course.lateRule?.unitHours ?? 24)} late` : "";
  const standing = figure.waiting
    ? "waiting"
    : figure.standing === "expected"
      ? ""
      : figure.standing === "handedIn"
        ? ""
        : figure.standing;
  const points = fromDecimal(assignment.points);
  return {
    assignmentId: assignment.id,
    name: assignment.name,
    due: dueText(state, course, assignment, student),
    standing: [standing, late, figure.source === "setByHand" ? "set by hand" : ""].filter(Boolean).join(", "),
    tone: TONES[standing] ?? (figure.source === "setByHand" ? "text-plum" : "text-soft"),
    figure: counted
      ? `${inMark(pointsText(counted))} of ${inMark(assignment.points)}`
      : figure.wordsOnly
        ? (levelGiven(state, assignment, student.id) ?? "")
        : "",
    percent:
      counted && points.n !== 0n ? `${inMark(roundToText(divide(multiply(counted, HUNDRED), points), 0))} %` : "",
    comment: resultOf(state, assignment.id, student.id).overallComment,
  };
}

function neededRows(state: CourseState, course: Course, student: Student): StudentRows["needed"] {
  const plan = planOf(state);
  const { figure } = figuresOf(state);
  const source = (assignment: Assignment) => itemOf(assignment, figure(assignment.id, student.id));
  const goals = [
    ...bandsFromTop(course.letters)
      .filter(({ from }) => from !== "0")
      .map(({ letter, from }) => ({ goal: `${letter}, from ${inMark(from)} %`, bound: from })),
    { goal: `the pass mark, ${inMark(course.passMark)} %`, bound: course.passMark },
  ];
  return goals.map(({ goal, bound }) => {
    const needed = neededFor(plan, source, bound);
    return { goal, words: neededWords(needed, course.percentPlaces), reached: needed.kind === "reached" };
  });
}

function neededWords(needed: Needed, places: number): string {
  switch (needed.kind) {
    case "nothingCounts":
      return "nothing counts yet";
    case "reached":
      return "reached whatever comes";
    case "outOfReach":
      return `out of reach, at most ${inMark(roundToText(needed.highest, places))} %`;
    case "needs":
      return `${needed.exact ? "" : "about "}${inMark(roundToText(needed.percent, 1))} % of all open work`;
  }
}

/** Whether bonus work was done or declined, so that it can be talked about. */
function bonusWords({ counted, standing, waiting }: Figure): string {
  if (counted) return `done, ${inMark(pointsWords(inMark(pointsText(counted))))}`;
  if (waiting) return "handed in, waiting";
  return standing === "missing" || standing === "excused" ? "declined" : "not done so far";
}
