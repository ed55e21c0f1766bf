import { compare, keptBy, required, type AssignmentId, type CategoryId, type StudentId } from "#core/kernel";
import {
  assignmentsOf,
  categoriesOf,
  courseOf,
  findStudents,
  rosterName,
  plainText,
  studentsOf,
  termsOf,
  type Assignment,
  type CourseState,
  type Student,
} from "#core/model";
import { changedSinceRelease, withoutWeight } from "#core/release";
import { figuresOf, hasWaiting, termOf, type Figure } from "#core/totals";
import { MOST_TERMS } from "./grid/measures";
import { cellOf, totalCellOf, type FigureMode, type GradeCell, type TotalCell } from "./grid/cells";
import { figuresMark, inMark } from "../../../ui/words/figures";

/** Which students are shown: all, or those with a cell of one kind. */
export const SHOW_ONLY = [
  "all",
  "waiting",
  "missing",
  "excused",
  "notIn",
  "late",
  "changed",
  "setByHand",
  "above",
] as const;
/** Which students are shown. */
export type ShowOnly = (typeof SHOW_ONLY)[number];

/** What the gradebook is asked to show. */
export interface GradeView {
  readonly find: string;
  readonly section: string | null;
  readonly term: string | null;
  readonly category: string | null;
  readonly show: ShowOnly;
  readonly mode: FigureMode;
  /** `name`, `total`, or an assignment; from the lowest up unless `down`. */
  readonly sort: { readonly by: string; readonly down: boolean };
  readonly hidden: ReadonlySet<AssignmentId>;
}

/** The view that shows everything. */
export const WHOLE_VIEW: GradeView = {
  find: "",
  section: null,
  term: null,
  category: null,
  show: "all",
  mode: "points",
  sort: { by: "name", down: false },
  hidden: new Set(),
};

export interface GradeColumn {
  readonly assignmentId: AssignmentId;
  readonly name: string;
  readonly shortName: string;
  readonly of: string;
  /** Something waits here. */
  readonly current: boolean;
}

export interface GradeBand {
  readonly id: CategoryId;
  readonly title: string;
  readonly columns: number;
}

/** A student as the head of a row. */
export interface GradeStudent {
  readonly studentId: StudentId;
  readonly name: string;
  readonly number: string;
  readonly note: string;
}

/** The gradebook of a view. Cells and totals are looked up when they are drawn, and only then. */
export interface GradeTable {
  readonly columns: readonly GradeColumn[];
  readonly bands: readonly GradeBand[];
  readonly students: readonly GradeStudent[];
  readonly total: number;
  /** What the totals are of: the course, or the term that is shown. */
  readonly totalsOf: string;
  /** Names of the terms whose totals stand beside the course's. */
  readonly terms: readonly string[];
  /** Categories that the totals leave out for want of a weight. */
  readonly weightless: readonly string[];
  readonly cell: (row: number, column: number) => GradeCell;
  /** The cells of a row from a column to another; the same list until one of them is another. */
  readonly cells: (row: number, first: number, last: number) => readonly GradeCell[];
  readonly totalOf: (row: number) => TotalCell;
}

export function gradeTable(state: CourseState, view: GradeView): GradeTable {
  const course = courseOf(state);
  const { figure, figures, totals } = figuresOf(state);
  const work = assignmentsShown(state, view);
  const places = new Map(Object.keys(state.assignments).map((id, place) => [id, place]));
  const people = sorted(state, studentsShown(state, view, work), view);
  const columns = sameColumns(
    view,
    work.map((assignment) => columnOf(assignment, hasWaiting(state, assignment))),
  );
  const termId = view.term === null ? null : (state.terms[view.term]?.id ?? null);
  const at = <T>(list: readonly T[], index: number): T => {
    const found = list[index];
    if (found === undefined) throw new RangeError(`no row or column ${String(index)}`);
    return found;
  };
  return {
    columns,
    bands: categoriesOf(state)
      .map(({ id, name, weight }) => ({
        id,
        title: weight === null ? name : `${name} ${inMark(weight)} %`,
        columns: work.filter((assignment) => assignment.categoryId === id).length,
      }))
      .filter((band) => band.columns > 0),
    students: people.map((student) => headOf(state, student)),
    total: studentsOf(state).length,
    totalsOf: (termId && state.terms[termId]?.name) ?? "the course",
    terms: termId === null && termsOf(state).length <= MOST_TERMS ? termsOf(state).map(({ name }) => name) : [],
    weightless: withoutWeight(state).map(({ name }) => name),
    cell: (row, column) => {
      const assignment = at(work, column);
      return cellOf(state, assignment, figure(assignment.id, at(people, row).id), view.mode);
    },
    cells: (row, first, last) => cellsOf(figures(at(people, row).id), { state, view, work, places, first, last }),
    totalOf: (row) => totalCellOf(course, totals(at(people, row).id), termId),
  };
}

interface CellsShown {
  readonly state: CourseState;
  readonly view: GradeView;
  readonly work: readonly Assignment[];
  /** Where each assignment stands among a student's figures. */
  readonly places: ReadonlyMap<string, number>;
  readonly first: number;
  readonly last: number;
}

/** The cells of a row; the same list until a figure or something else that they are made from is another. */
const cellsOf = keptBy({
  owner: (figures: readonly Figure[], _: CellsShown) => figures,
  basis: (_, { state, view, first, last }) => ({
    course: courseOf(state),
    assignments: state.assignments,
    scales: state.scales,
    view,
    first,
    last,
  }),
  make: (_, figures, { state, view, work, places, first, last }): readonly GradeCell[] =>
    work
      .slice(first, last + 1)
      .map((assignment) =>
        cellOf(state, assignment, required(figures[places.get(assignment.id) ?? -1], "figure"), view.mode),
      ),
});

/** The head of a column; the same object until its assignment changes or work begins or ends to wait there. */
const columnOf = keptBy({
  owner: (assignment: Assignment, _: boolean) => assignment,
  basis: (_, current) => ({ current, mark: figuresMark() }),
  make: (_, { id, name, shortName, bonus, scoredIn, points }, current): GradeColumn => {
    const way = { points: `of ${inMark(points)}`, percent: "in percent", scale: "on a scale" }[scoredIn.kind];
    const of = bonus ? "bonus" : way;
    return { assignmentId: id, name, shortName, of, current };
  },
});

/** The list of columns last shown in this view where none of them is another, so that no row is drawn anew for it. */
const sameColumns = keptBy({
  owner: (view: GradeView, _: readonly GradeColumn[]) => view,
  basis: (_, columns) => ({ columns }),
  make: (_, __, columns) => columns,
});

/** The head of a row; the same object until the student, or what tells them from a namesake, changes. */
const headOf = keptBy({
  owner: (_: CourseState, student: Student) => student,
  basis: (state, student) => ({ name: rosterName(state, student) }),
  make: (_, state, student): GradeStudent => ({
    studentId: student.id,
    name: rosterName(state, student),
    number: student.number,
    note: student.note,
  }),
});

/** Assignments of the term and category chosen that are not hidden; where the text finds some by name, only those. */
function assignmentsShown(state: CourseState, { term, category, hidden, find }: GradeView): Assignment[] {
  const terms = termsOf(state);
  const shown = assignmentsOf(state).filter(
    (assignment) =>
      !hidden.has(assignment.id) &&
      (category === null || assignment.categoryId === category) &&
      (term === null || termOf(terms, assignment) === term),
  );
  const wanted = plainText(find.trim());
  const named = wanted === "" ? [] : shown.filter(({ name }) => plainText(name).includes(wanted));
  return named.length > 0 ? named : shown;
}

function studentsShown(state: CourseState, view: GradeView, work: readonly Assignment[]): readonly Student[] {
  const { figure } = figuresOf(state);
  const { section, show, find } = view;
  const roster = studentsOf(state).filter((student) => section === null || student.sectionId === section);
  const byText = find.trim() === "" ? roster : foundOrAll(state, roster, find, work);
  if (show === "all") return byText;
  if (show === "changed") {
    const changed = new Set(work.flatMap((one) => changedSinceRelease(state, one).map(({ student }) => student.id)));
    return byText.filter(({ id }) => changed.has(id));
  }
  return byText.filter(({ id }) => work.some((assignment) => FITS[show](figure(assignment.id, id))));
}

/** Students the text finds; all of them where it found assignments instead. */
function foundOrAll(
  state: CourseState,
  roster: readonly Student[],
  find: string,
  work: readonly Assignment[],
): readonly Student[] {
  const found = new Set(findStudents(roster, find).students);
  if (found.size === 0 && work.length > 0 && work.length < Object.keys(state.assignments).length) return roster;
  return roster.filter((student) => found.has(student));
}

const FITS: Readonly<Record<Exclude<ShowOnly, "all" | "changed">, (figure: Figure) => boolean>> = {
  waiting: ({ waiting }) => waiting,
  missing: ({ standing }) => standing === "missing",
  excused: ({ standing }) => standing === "excused",
  notIn: ({ standing }) => standing === "expected",
  late: ({ unitsLate }) => unitsLate > 0,
  setByHand: ({ source }) => source === "setByHand",
  above: ({ aboveMaximum }) => aboveMaximum,
};

/** Students in the order asked for; those without a figure come last either way. */
function sorted(state: CourseState, students: readonly Student[], view: GradeView): readonly Student[] {
  const { by, down } = view.sort;
  const termId = view.term === null ? null : state.terms[view.term]?.id;
  if (by === "name") return down ? [...students].reverse() : students;
  const { figure, totals } = figuresOf(state);
  const assignment = Object.values(state.assignments).find(({ id }) => id === by);
  const valueOf = ({ id }: Student) =>
    assignment ? figure(assignment.id, id).counted : termId ? totals(id).terms.get(termId)?.now : totals(id).now;
  const keyed = students.map((student) => ({ student, value: valueOf(student) }));
  keyed.sort((a, b) => {
    if (!a.value || !b.value) return a.value ? -1 : b.value ? 1 : 0;
    return compare(a.value, b.value) * (down ? -1 : 1);
  });
  return keyed.map(({ student }) => student);
}
