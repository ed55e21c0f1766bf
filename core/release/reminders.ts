import {
  compare,
  divide,
  fromDecimal,
  HUNDRED,
  multiply,
  milliseconds,
  type AssignmentId,
  type Exact,
  type Instant,
  type StudentId,
} from "#core/kernel";
import { assignmentsOf, dueFor, studentsOf, type Assignment, type CourseState } from "#core/model";
import { figuresOf, type Figure } from "#core/totals";
import { isShown } from "./visibility";
import { visibleTotals } from "./give/total-copies";

/** Whom a reminder is for. A figure is in percent; without an assignment it is about all work, or the course total. */
export interface ReminderFilter {
  readonly kind: "nothingIn" | "dueSoon" | "notScored" | "late" | "bonusNotTried" | "below" | "above";
  readonly assignmentId: AssignmentId | null;
  readonly percent: Exact;
}

/** A student a filter finds, with the work it is about. */
export interface Reminded {
  readonly studentId: StudentId;
  readonly assignmentIds: readonly AssignmentId[];
  /** Being written to at all would tell them something that is sealed. */
  readonly tellsSealed: boolean;
}

/** How long before it is due work is reminded of, in milliseconds: two weeks. */
const SOON = 14 * 24 * 3_600_000;

type Test = (assignment: Assignment, figure: Figure) => boolean;

/** The students a filter finds, in the order of the roster. Work that is not due yet is found lacking only by `dueSoon`. */
export function remindersFor(state: CourseState, filter: ReminderFilter, now: Instant): Reminded[] {
  const { kind, assignmentId, percent } = filter;
  const side = kind === "below" ? -1 : 1;
  const beyond = (value: Exact | null) => value !== null && Math.sign(compare(value, percent)) === side;
  const { figure, totals } = figuresOf(state);
  if ((kind === "below" || kind === "above") && assignmentId === null) {
    return studentsOf(state)
      .filter(({ id }) => beyond(totals(id).now))
      .map(({ id }) => ({
        studentId: id,
        assignmentIds: [],
        tellsSealed: !visibleTotals(state, id).some((copy) => copy.id === "course"),
      }));
  }
  const isDue = (assignment: Assignment, { studentId }: Figure) => {
    const due = dueFor(state, assignment, studentId);
    return due === null || milliseconds(due) <= milliseconds(now);
  };
  const isSoon = (assignment: Assignment, { studentId }: Figure) => {
    const { givenAt } = assignment;
    const due = dueFor(state, assignment, studentId);
    return (
      due !== null &&
      milliseconds(due) > milliseconds(now) &&
      milliseconds(due) <= milliseconds(now) + SOON &&
      (givenAt === null || milliseconds(givenAt) <= milliseconds(now))
    );
  };
  const tests: Readonly<Record<ReminderFilter["kind"], Test>> = {
    nothingIn: (assignment, figure) =>
      !assignment.bonus &&
      isDue(assignment, figure) &&
      (figure.standing === "expected" || figure.standing === "missing"),
    dueSoon: (assignment, figure) => !assignment.bonus && isSoon(assignment, figure) && figure.standing === "expected",
    notScored: (_assignment, { waiting }) => waiting,
    late: (_assignment, { unitsLate }) => unitsLate > 0,
    bonusNotTried: (assignment, { standing, counted }) =>
      assignment.bonus && standing === "expected" && counted === null,
    below: (assignment, { counted }) => beyond(percentOf(assignment, counted)),
    above: (assignment, { counted }) => beyond(percentOf(assignment, counted)),
  };
  const work = assignmentsOf(state).filter(
    (assignment) => !assignment.hidden && (assignmentId === null || assignment.id === assignmentId),
  );
  return studentsOf(state).flatMap(({ id }): Reminded[] => {
    const found = work.filter((assignment) => tests[kind](assignment, figure(assignment.id, id)));
    if (found.length === 0) return [];
    const tellsSealed =
      (kind === "below" || kind === "above") && found.some((assignment) => !isShown(state, assignment, id, "score"));
    return [{ studentId: id, assignmentIds: found.map((assignment) => assignment.id), tellsSealed }];
  });
}

function percentOf({ points }: Assignment, counted: Exact | null): Exact | null {
  const whole = fromDecimal(points);
  return counted === null || whole.n === 0n ? null : divide(multiply(counted, HUNDRED), whole);
}
