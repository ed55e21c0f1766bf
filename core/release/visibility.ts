import {
  eachInSteps,
  milliseconds,
  sameValue,
  type Instant,
  type SectionId,
  type Steps,
  type StudentId,
} from "#core/kernel";
import {
  assignmentsOf,
  copyOf,
  cutAt,
  dueFor,
  FACETS,
  outcomeRubricOf,
  outcomeScaleOf,
  questionsOf,
  releaseOf,
  resultOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Facet,
  type Release,
  type Student,
  type TotalSeal,
  type Wave,
} from "#core/model";
import { facetNow, type FacetContent, type FacetContents } from "./give/copies";

/** How one student's copy of a facet stands against what the instructor has. */
export type CopyState = "nothing" | "ready" | "given" | "changed" | "withdrawn";

/**
 * | fixed copy | present content | state     |
 * |------------|-----------------|-----------|
 * | none       | none            | nothing   |
 * | none       | some            | ready     |
 * | some       | the same        | given     |
 * | some       | different       | changed   |
 * | some       | none            | withdrawn |
 */
export function copyState(state: CourseState, assignment: Assignment, student: Student, facet: Facet): CopyState {
  const fixed = copyOf(state, assignment.id, student.id)[facet]?.content ?? null;
  const present = facetNow(state, assignment, student, facet);
  if (!fixed) return present ? "ready" : "nothing";
  if (!present) return "withdrawn";
  return sameValue(fixed, present) ? "given" : "changed";
}

/** One cell of the table of seals. */
export interface FacetOverview {
  readonly facet: Facet;
  readonly release: Release;
  /** Students whose content could go out and has not. */
  readonly ready: readonly StudentId[];
  /** Students who cannot be given anything yet. */
  readonly nothing: number;
  /** Students who have a fixed copy, changed or not. */
  readonly given: readonly StudentId[];
  /** Students whose content differs from their fixed copy. */
  readonly changed: readonly StudentId[];
  /** The facet cannot hold anything here: rubric detail without a rubric. */
  readonly empty: boolean;
}

/** One cell of the table of seals: who has it, who could, for whom it changed. */
export function* facetOverview(state: CourseState, assignment: Assignment, facet: Facet): Steps<FacetOverview> {
  const empty =
    (facet === "rubric" && assignment.rubricId === null && questionsOf(state, assignment.id).length === 0) ||
    (facet === "outcomes" && !outcomeRubricOf(state, assignment) && !outcomeScaleOf(state, assignment));
  // What holds nothing and was never given needs no look at every student.
  const isBare = empty && Object.values(cutAt(state, "copies", assignment.id) ?? {}).every((copy) => !copy[facet]);
  const students = yield* eachInSteps(studentsOf(state), (student) => ({
    id: student.id,
    copy: isBare ? ("nothing" as const) : copyState(state, assignment, student, facet),
  }));
  const those = (...states: CopyState[]) => students.filter(({ copy }) => states.includes(copy)).map(({ id }) => id);
  return {
    facet,
    release: releaseOf(state, assignment.id, facet),
    ready: those("ready"),
    nothing: those("nothing").length,
    given: those("given", "changed", "withdrawn"),
    changed: those("changed", "withdrawn"),
    empty,
  };
}

/** A facet of a student's copy that no longer matches, old beside new. */
export interface Difference<F extends Facet = Facet> {
  readonly student: Student;
  readonly facet: F;
  readonly old: FacetContent[F];
  readonly present: FacetContent[F] | null;
}

/** Facets that are a student's own. Class figures change for all at once with any score, and are listed once. */
const OWN_FACETS: readonly Facet[] = FACETS.filter((facet) => facet !== "classFigures");

/** The facets of an assignment in which copies can differ from what was released: those whose seals are broken or timed. */
export const facetsGivenOut = (state: CourseState, assignment: Assignment): readonly Facet[] =>
  OWN_FACETS.filter((facet) => releaseOf(state, assignment.id, facet).state !== "sealed");

/** Everything of an assignment's papers that changed since it was released, class figures left out. */
export function changedSinceRelease(state: CourseState, assignment: Assignment): Difference[] {
  const given = facetsGivenOut(state, assignment);
  if (given.length === 0) return [];
  return studentsOf(state).flatMap((student) => changedFor(state, assignment, student, given));
}

/** What of one student's paper changed since it was released, of the facets that were given out. */
export function changedFor(
  state: CourseState,
  assignment: Assignment,
  student: Student,
  given: readonly Facet[],
): Difference[] {
  const copy = copyOf(state, assignment.id, student.id);
  return given.flatMap((facet): Difference[] => {
    const old = copy[facet]?.content;
    if (!old) return [];
    const present = facetNow(state, assignment, student, facet);
    return present && sameValue(old, present) ? [] : [{ student, facet, old, present }];
  });
}

/** A facet whose time has come, for everyone or for a part of the class. */
export interface Due {
  readonly assignmentId: Assignment["id"];
  readonly facet: Facet;
  /** Null for everyone. */
  readonly wave: Wave | null;
  /** The moment it was set for. */
  readonly at: Instant;
}

/**
 * Facets whose time has come at `now` and which have not been given out yet. A clock that was set back only makes them
 * wait longer: what is out stays out, and nothing goes out before the clock shows its moment.
 */
export function dueReleases(state: CourseState, now: Instant): Due[] {
  const isDue = (at: Instant) => milliseconds(at) <= milliseconds(now);
  const due = Object.values(state.releases).flatMap(({ assignmentId, facet, state: seal, at, waves }): Due[] => [
    ...(seal === "timed" && at !== null && isDue(at) ? [{ assignmentId, facet, wave: null, at }] : []),
    ...waves.filter((wave) => isDue(wave.at)).map((wave) => ({ assignmentId, facet, wave, at: wave.at })),
  ]);
  // A score goes before the rubric detail that would tell it.
  return due.sort((a, b) => FACETS.indexOf(a.facet) - FACETS.indexOf(b.facet));
}

/** Totals whose time has come at `now`. */
export const dueTotals = (state: CourseState, now: Instant): TotalSeal[] =>
  Object.values(state.totalSeals).filter(
    ({ state: seal, at }) => seal === "timed" && at !== null && milliseconds(at) <= milliseconds(now),
  );

/** The students a release is meant for: those named, those of a section, or everyone; in the order of the roster. */
export function studentsMeant(
  state: CourseState,
  {
    sectionId,
    studentIds,
  }: { readonly sectionId?: SectionId | null; readonly studentIds?: readonly StudentId[] | null },
): readonly Student[] {
  const all = studentsOf(state);
  if (studentIds) return all.filter(({ id }) => studentIds.includes(id));
  return sectionId ? all.filter((student) => student.sectionId === sectionId) : all;
}

/**
 * Whether a facet is open to a student: they have been given it, its seal is broken, the assignment neither held for
 * moderation nor hidden, and the student not held back one by one. A timed facet is open to nobody before its moment is
 * given out, but for those who were given it earlier.
 */
export const isShown = (state: CourseState, assignment: Assignment, studentId: StudentId, facet: Facet): boolean =>
  releaseOf(state, assignment.id, facet).state !== "sealed" &&
  copyOf(state, assignment.id, studentId)[facet] !== null &&
  !assignment.held &&
  !assignment.hidden &&
  !resultOf(state, assignment.id, studentId).held;

/** What one student can see of one assignment: released fixed copies, and nothing else. */
export interface VisibleAssignment extends FacetContents {
  readonly assignment: Pick<Assignment, "id" | "name" | "points" | "dueAt">;
  /** When the newest part was given out. */
  readonly at: Instant;
}

/** The student window: only facets that are released, only from the fixed copies made at release, newest first. */
export function visibleTo(state: CourseState, studentId: StudentId): VisibleAssignment[] {
  return assignmentsOf(state)
    .flatMap((assignment): VisibleAssignment[] => {
      const copy = copyOf(state, assignment.id, studentId);
      const shown = (facet: Facet) => isShown(state, assignment, studentId, facet);
      const stamps = FACETS.filter(shown).flatMap((facet) => copy[facet]?.at ?? []);
      const at = stamps.sort().at(-1);
      if (at === undefined) return [];
      return [
        {
          assignment: {
            id: assignment.id,
            name: copy.name || assignment.name,
            points: assignment.points,
            dueAt: dueFor(state, assignment, studentId),
          },
          score: shown("score") ? (copy.score?.content ?? null) : null,
          rubric: shown("rubric") ? (copy.rubric?.content ?? null) : null,
          comments: shown("comments") ? (copy.comments?.content ?? null) : null,
          outcomes: shown("outcomes") ? (copy.outcomes?.content ?? null) : null,
          classFigures: shown("classFigures") ? (copy.classFigures?.content ?? null) : null,
          at,
        },
      ];
    })
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
}
