import { pointsText, roundToText, type Instant, type StudentId } from "#core/kernel";
import {
  assignmentsOf,
  categoriesOf,
  courseOf,
  rosterName,
  type Assignment,
  type CourseState,
  type ScoreCopy,
} from "#core/model";
import { visibleTo, visibleTotals } from "#core/release";
import { figuresOf } from "#core/totals";
import { scoreWords, withMark } from "#core/words";

/** How a student stands at a date, ready to be set. */
export interface ProgressReport {
  readonly course: string;
  readonly institution: string;
  readonly name: string;
  readonly number: string;
  readonly at: Instant;
  readonly timeZone: string;
  /** For the student: what they could see; for the office: everything. */
  readonly audience: "student" | "office";
  /** The seal of the journal when the report was made, by which the office can ask for it again; empty for a student. */
  readonly seal: string;
  readonly totals: readonly { readonly name: string; readonly text: string }[];
  readonly groups: readonly {
    readonly name: string;
    readonly work: readonly { readonly name: string; readonly text: string }[];
  }[];
}

/** Whose report it is, of which moment, and for whom. */
export interface ReportWish {
  readonly studentId: StudentId;
  readonly at: Instant;
  readonly audience: ProgressReport["audience"];
  /** The seal of the journal as it stands now. */
  readonly seal: string;
}

/**
 * A report of one student from the course as it stood at `at`; null where they were not on the roster. What is written for
 * a student passes today's gate too: what was open then and has been sealed since stays sealed.
 */
export function progressReport(
  state: CourseState,
  today: CourseState,
  { studentId, at, audience, seal }: ReportWish,
): ProgressReport | null {
  const student = state.students[studentId];
  if (!student) return null;
  const { title, institution, timeZone, decimalMark } = courseOf(state);
  const textOf = audience === "office" ? officeText(state, studentId) : studentText(state, today, studentId);
  const isHidden = ({ id, hidden }: Assignment) => hidden || today.assignments[id]?.hidden === true;
  const work = assignmentsOf(state).filter((assignment) => audience === "office" || !isHidden(assignment));
  return {
    course: title,
    institution,
    name: rosterName(state, student),
    number: student.number,
    at,
    timeZone,
    audience,
    seal: audience === "office" ? seal : "",
    totals: (audience === "office" ? officeTotals(state, studentId) : studentTotals(state, today, studentId)).map(
      ({ name, text }) => ({ name, text: withMark(text, decimalMark) }),
    ),
    groups: categoriesOf(state).flatMap(({ id, name }) => {
      const own = work.filter(({ categoryId }) => categoryId === id);
      return own.length === 0
        ? []
        : [{ name, work: own.map((one) => ({ name: one.name, text: withMark(textOf(one), decimalMark) })) }];
    }),
  };
}

function studentText(state: CourseState, today: CourseState, studentId: StudentId): (assignment: Assignment) => string {
  const open = new Set<string>(
    visibleTo(today, studentId).flatMap(({ assignment, score }) => (score ? [assignment.id] : [])),
  );
  const visible = new Map<string, ScoreCopy | null>(
    visibleTo(state, studentId).map(({ assignment, score }) => [assignment.id, score]),
  );
  return ({ id }) => {
    const score = visible.get(id);
    if (!score || !open.has(id)) return "not released";
    return scoreWords(score);
  };
}

function officeText(state: CourseState, studentId: StudentId): (assignment: Assignment) => string {
  const { figure } = figuresOf(state);
  return (assignment) => {
    const { standing, counted, waiting } = figure(assignment.id, studentId);
    if (standing !== "excused" && waiting) return "waiting";
    if (counted === null && standing !== "excused" && standing !== "missing") return "not in";
    return scoreWords({ standing, points: counted && pointsText(counted), maximum: assignment.points });
  };
}

function studentTotals(state: CourseState, today: CourseState, studentId: StudentId): ProgressReport["totals"] {
  const open = new Set(visibleTotals(today, studentId).map(({ id }) => id));
  return visibleTotals(state, studentId)
    .filter(({ id }) => open.has(id))
    .map(({ name, text, shows }) => ({ name, text: shows === "percent" ? `${text} %` : text }));
}

function officeTotals(state: CourseState, studentId: StudentId): ProgressReport["totals"] {
  const { percentPlaces } = courseOf(state);
  const { now, letter, categories } = figuresOf(state).totals(studentId);
  const percent = (value: typeof now) => (value ? `${roundToText(value, percentPlaces)} %` : "nothing counts yet");
  return [
    { name: "Course", text: [percent(now), letter].filter(Boolean).join(", ") },
    ...categoriesOf(state).map(({ id, name }) => ({ name, text: percent(categories.get(id)?.percent ?? null) })),
  ];
}
