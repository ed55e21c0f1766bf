import { fromDecimal, roundToText, sum, type Instant, type Steps } from "#core/kernel";
import { assignmentsOf, categoriesOf, courseOf, studentsOf, type Category, type CourseState } from "#core/model";
import {
  laneInSteps,
  undatedOf,
  unreadReplies,
  weightsAddUp,
  withoutWeight,
  type Lane,
  type LeakReport,
} from "#core/release";
import { counted, dayText } from "#core/words";
import { inMark } from "../../ui/words/figures";

/** The board as it is drawn. */
export interface BoardRows {
  readonly subtitle: string;
  readonly demo: boolean;
  /** Replies of students that nobody has read. */
  readonly replies: number;
  readonly undated: readonly string[];
  /** The sum of the weights where it is not 100. */
  readonly weights: string | null;
  /** Categories with work that no total takes in, for want of a weight. */
  readonly weightless: readonly string[];
  readonly groups: readonly { readonly id: string; readonly title: string; readonly lanes: readonly LaneRow[] }[];
}

export interface LaneRow extends Lane {
  readonly detail: string;
  /** What is to be known of this assignment and of no other: held, without weight, changed, still out. */
  readonly remarks: readonly string[];
}

/** Everything the board shows, with a step for each student of each assignment. */
export function* boardRows(state: CourseState, now: Instant): Steps<BoardRows> {
  const course = courseOf(state);
  const students = studentsOf(state).length;
  const sections = Object.values(state.sections).map((section) => section.name);
  const weights = categoriesOf(state).flatMap(({ weight }) => (weight === null ? [] : [fromDecimal(weight)]));
  const weightless = withoutWeight(state);
  const lanes: LaneRow[] = [];
  for (const assignment of assignmentsOf(state)) {
    const lane = yield* laneInSteps(state, assignment, now);
    lanes.push({ ...lane, detail: detailOf(state, assignment), remarks: remarksOf(lane, weightless) });
  }
  return {
    subtitle: [
      course.institution,
      students === 1 ? "1 student" : `${String(students)} students`,
      sections.length > 0 ? `${sections.join(" and ")} sections` : "",
    ]
      .filter(Boolean)
      .join(" · "),
    demo: course.origin === "demo",
    replies: unreadReplies(state).reduce((total, { count }) => total + count, 0),
    undated: undatedOf(state).map((assignment) => assignment.name),
    weightless: weightless.map(({ name }) => name),
    weights: weightsAddUp(state) ? null : inMark(roundToText(sum(weights), 1)),
    groups: categoriesOf(state)
      .map(({ id, name, weight }) => ({
        id,
        title: weight === null ? name : `${name} · ${inMark(weight)} %`,
        lanes: lanes.filter((lane) => lane.assignment.categoryId === id),
      }))
      .filter((group) => group.lanes.length > 0),
  };
}

function detailOf(state: CourseState, assignment: CourseState["assignments"][string]): string {
  const due = assignment.dueAt ? `due ${dayText(assignment.dueAt, courseOf(state).timeZone)}` : "no due date";
  const { scoredIn } = assignment;
  const scale = scoredIn.kind === "scale" ? state.scales[scoredIn.scaleId]?.name.toLowerCase() : undefined;
  const points = scale ?? (assignment.bonus ? "bonus" : `${inMark(assignment.points)} pts`);
  return [assignment.channel === "paper" ? "on paper" : "", due, points].filter(Boolean).join(" · ");
}

function remarksOf({ assignment, changed, notIn, next }: Lane, weightless: readonly Category[]): string[] {
  const held = assignment.held ? `held${assignment.heldReason ? `: ${assignment.heldReason}` : " for the board"}` : "";
  return [
    held,
    assignment.hidden ? "kept from students" : "",
    assignment.counts ? "" : "counts nowhere",
    weightless.some(({ id }) => id === assignment.categoryId) ? "no weight: no total takes it in" : "",
    changed > 0 && next.kind !== "correct" ? `${counted(changed, "student")} changed since release` : "",
    notIn > 0 && next.kind !== "decide" && !assignment.bonus ? `${String(notIn)} not in` : "",
  ].filter(Boolean);
}

/** By assignment, how many students could work its sealed score out. */
export function workedOut(reports: readonly LeakReport[]): ReadonlyMap<string, number> {
  const students = new Map<string, number>();
  for (const { leaks } of reports) {
    for (const id of new Set(leaks.map(({ assignmentId }) => assignmentId))) {
      students.set(id, (students.get(id) ?? 0) + 1);
    }
  }
  return students;
}
