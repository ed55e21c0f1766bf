import { eachInSteps, keptBy, keptSteps, type Instant, type Steps, type StudentId } from "#core/kernel";
import {
  assignmentsOf,
  copyOf,
  cutAt,
  dueTimesPassed,
  isOverFor,
  releaseOf,
  studentsOf,
  type Assignment,
  type Category,
  type CourseState,
  type Release,
} from "#core/model";
import { assignmentBasis, checkPlan, figuresOf } from "#core/totals";
import { changedFor, copyState, facetsGivenOut } from "./visibility";

/** The one next step that makes sense for an assignment. */
export type NextStep =
  | { readonly kind: "score"; readonly count: number; readonly studentId: StudentId }
  | { readonly kind: "decide"; readonly count: number; readonly studentId: StudentId }
  | { readonly kind: "release"; readonly count: number }
  | { readonly kind: "correct"; readonly count: number }
  | { readonly kind: "timed"; readonly release: Release }
  | { readonly kind: "released"; readonly release: Release }
  | { readonly kind: "wait" };

/** An assignment on the board: its students counted by how far they are, and the next step. */
export interface Lane {
  readonly assignment: Assignment;
  readonly students: number;
  readonly released: number;
  /** Scored, or decided as missing, and sealed. */
  readonly scored: number;
  readonly waiting: number;
  readonly excused: number;
  readonly notIn: number;
  /** Students whose copy differs from what they would be given now. */
  readonly changed: number;
  readonly next: NextStep;
}

/** How far an assignment has come, and what its next step is; looked at again only when something it rests on changes. */
export const laneOf = (state: CourseState, assignment: Assignment, now: Instant): Lane =>
  keptLane(state, assignment, dueTimesPassed(state, assignment, now), now).atOnce();

/** The same, with a step for each student. */
export const laneInSteps = (state: CourseState, assignment: Assignment, now: Instant): Steps<Lane> =>
  keptLane(state, assignment, dueTimesPassed(state, assignment, now), now).inSteps();

const keptLane = keptBy({
  owner: (_: CourseState, assignment: Assignment, _passed: number, _now: Instant) => assignment,
  basis: (state, assignment, passed) => ({
    ...assignmentBasis(state, assignment),
    notes: state.notes,
    releases: state.releases,
    rubrics: state.rubrics,
    copies: cutAt(state, "copies", assignment.id),
    passed,
  }),
  most: 2,
  make: (_, state, assignment, _passed, now) => keptSteps(countLane(state, assignment, now)),
});

/** Where one student stands on the lane of an assignment. */
interface OnLane {
  readonly id: StudentId;
  readonly isReleased: boolean;
  readonly waiting: boolean;
  readonly notIn: boolean;
  readonly excused: boolean;
  readonly isReady: boolean;
  readonly isChanged: boolean;
}

function* countLane(state: CourseState, assignment: Assignment, now: Instant): Steps<Lane> {
  const { figure } = figuresOf(state);
  const seal = releaseOf(state, assignment.id, "score");
  const given = facetsGivenOut(state, assignment);
  const all = yield* eachInSteps(studentsOf(state), (student): OnLane => {
    const { id } = student;
    const isReleased = seal.state !== "sealed" && copyOf(state, assignment.id, id).score !== null;
    const { waiting, standing } = figure(assignment.id, id);
    return {
      id,
      isReleased,
      waiting: !isReleased && waiting,
      notIn: !isReleased && standing === "expected",
      excused: !isReleased && standing === "excused",
      isReady: copyState(state, assignment, student, "score") === "ready",
      isChanged: changedFor(state, assignment, student, given).length > 0,
    };
  });
  const those = (test: (one: OnLane) => boolean) => all.filter(test).map(({ id }) => id);
  const count = (test: (one: OnLane) => boolean) => those(test).length;
  const released = count(({ isReleased }) => isReleased);
  const waiting = those((one) => one.waiting);
  const notIn = those((one) => one.notIn);
  const over = notIn.filter((id) => isOverFor(state, assignment, id, now));
  const excused = count((one) => one.excused);
  const ready = count(({ isReady }) => isReady);
  const changed = count(({ isChanged }) => isChanged);
  const next = (): NextStep => {
    if (waiting[0]) return { kind: "score", count: waiting.length, studentId: waiting[0] };
    // Nobody is overdue with bonus work: not doing it is a choice.
    if (over[0] && !assignment.bonus) return { kind: "decide", count: over.length, studentId: over[0] };
    if (changed > 0) return { kind: "correct", count: changed };
    if (seal.state === "timed") return { kind: "timed", release: seal };
    if (ready > 0) return { kind: "release", count: ready };
    return seal.state === "released" ? { kind: "released", release: seal } : { kind: "wait" };
  };
  return {
    assignment,
    students: all.length,
    released,
    scored: all.length - released - waiting.length - notIn.length - excused,
    waiting: waiting.length,
    excused,
    notIn: notIn.length,
    changed,
    next: next(),
  };
}

/** What waits in each of the five steps. */
export interface FlowCounts {
  /** Faults of the plan: undated assignments, and weights that do not come to 100. */
  readonly plan: number;
  /** Students past a due time of whom nothing is known. */
  readonly collect: number;
  /** Papers handed in and not scored. */
  readonly score: number;
  /** Copies that differ from what was released; what looks odd is added by who can tell. */
  readonly check: number;
  /** Scores ready to be released in assignments where nothing waits. */
  readonly release: number;
}

/** How much waits at each of the five steps of the work. */
export function flowCounts(state: CourseState, lanes: readonly Lane[]): FlowCounts {
  const count = (kinds: readonly NextStep["kind"][]) =>
    lanes.reduce((total, { next }) => total + (kinds.includes(next.kind) && "count" in next ? next.count : 0), 0);
  return {
    plan: undatedOf(state).length + (weightsAddUp(state) ? 0 : 1) + withoutWeight(state).length,
    collect: count(["decide"]),
    score: lanes.reduce((total, lane) => total + lane.waiting, 0),
    check: count(["correct"]),
    release: count(["release"]),
  };
}

/** Assignments that belong to no term because they have no due time. */
export const undatedOf = (state: CourseState): Assignment[] =>
  assignmentsOf(state).filter((assignment) => assignment.dueAt === null);

/** Categories whose work no total takes in, because weights decide and they have none. */
export const withoutWeight = (state: CourseState): Category[] =>
  checkPlan(state).flatMap((finding) => {
    const category = finding.code === "no_weight" ? state.categories[finding.id] : undefined;
    return category ? [category] : [];
  });

/** Whether the category weights come to 100; nothing to add up is no fault. */
export const weightsAddUp = (state: CourseState): boolean =>
  checkPlan(state).every(({ code }) => code !== "weights_not_hundred");
