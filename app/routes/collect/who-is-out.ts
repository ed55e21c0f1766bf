import { milliseconds, type Instant, type StudentId } from "#core/kernel";
import { courseOf, dueFor, isOverFor, rosterName, studentsOf, type Assignment, type CourseState } from "#core/model";
import { figuresOf } from "#core/totals";
import { counted, dayText } from "#core/words";

/** A student of whom nothing has come in. */
export interface StillOut {
  readonly studentId: StudentId;
  readonly name: string;
  readonly words: string;
  readonly isOver: boolean;
}

const DAY = 86_400_000;

/** Who is still out, with what is known: in the tray, excused, missing, over or still to come. */
export function stillOut(
  state: CourseState,
  assignment: Assignment,
  inTray: ReadonlySet<StudentId>,
  now: Instant,
): readonly StillOut[] {
  const { figure } = figuresOf(state);
  const known = studentsOf(state).flatMap((student): StillOut[] => {
    const { standing } = figure(assignment.id, student.id);
    if (standing === "handedIn") return [];
    const one = { studentId: student.id, name: rosterName(state, student), isOver: false };
    if (inTray.has(student.id)) return [{ ...one, words: "in the tray" }];
    if (standing !== "expected") return [{ ...one, words: standing }];
    const due = dueFor(state, assignment, student.id);
    const days = due === null ? 0 : Math.floor((milliseconds(now) - milliseconds(due)) / DAY);
    if (isOverFor(state, assignment, student.id, now))
      return [{ ...one, isOver: true, words: `${counted(Math.max(1, days), "day")} over` }];
    if (due !== assignment.dueAt && due) return [{ ...one, words: `until ${dayText(due, courseOf(state).timeZone)}` }];
    return [{ ...one, words: due ? "still to come" : "nothing yet" }];
  });
  const isInTray = ({ studentId }: StillOut) => inTray.has(studentId);
  return [...known.filter((one) => !isInTray(one)), ...known.filter(isInTray)];
}
