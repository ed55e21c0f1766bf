import { milliseconds, sameValue, type Instant, type StudentId } from "#core/kernel";
import {
  assignmentsOf,
  copyOf,
  FACETS,
  questionsOf,
  releaseOf,
  resultOf,
  studentsOf,
  type Assignment,
  type CourseState,
  type Facet,
  type Release,
  type Student,
} from "#core/model";
import { draftFacet, type FacetContent } from "./copies";

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
  const present = draftFacet(state, assignment, student, facet);
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
  /** Students who have a fixed copy, changed or not. */
  readonly given: readonly StudentId[];
  /** Students whose content differs from their fixed copy. */
  readonly changed: readonly StudentId[];
  /** The facet cannot hold anything here: rubric detail without a rubric. */
  readonly empty: boolean;
}

/** One cell of the table of seals: who has it, who could, for whom it changed. */
export function facetOverview(state: CourseState, assignment: Assignment, facet: Facet): FacetOverview {
  const students = studentsOf(state).map((student) => ({
    id: student.id,
    copy: copyState(state, assignment, student, facet),
  }));
  const those = (...states: CopyState[]) => students.filter(({ copy }) => states.includes(copy)).map(({ id }) => id);
  return {
    facet,
    release: releaseOf(state, assignment.id, facet),
    ready: those("ready"),
    given: those("given", "changed", "withdrawn"),
    changed: those("changed", "withdrawn"),
    empty: facet === "rubric" && assignment.rubricId === null && questionsOf(state, assignment.id).length === 0,
  };
}

/** A facet of a student's copy that no longer matches, old beside new. */
export interface Difference<F extends Facet = Facet> {
  readonly student: Student;
  readonly facet: F;
  readonly old: FacetContent[F];
  readonly present: FacetContent[F] | null;
}

/** Everything of an assignment that changed since it was released. */
export function changedSinceRelease(state: CourseState, assignment: Assignment): Difference[] {
  if (FACETS.every((facet) => releaseOf(state, assignment.id, facet).state !== "released")) return [];
  return studentsOf(state).flatMap((student) =>
    FACETS.flatMap((facet): Difference[] => {
      if (releaseOf(state, assignment.id, facet).state !== "released") return [];
      const old = copyOf(state, assignment.id, student.id)[facet]?.content;
      const present = draftFacet(state, assignment, student, facet);
      return !old || (present && sameValue(old, present)) ? [] : [{ student, facet, old, present }];
    }),
  );
}

/** Facets whose time has come at `now` and which have not been given out yet. */
export function dueReleases(state: CourseState, now: Instant): Release[] {
  return Object.values(state.releases).filter(
    (release) => release.state === "timed" && release.at !== null && milliseconds(release.at) <= milliseconds(now),
  );
}

/**
 * Whether a facet is open to a student: released, the assignment neither held for moderation nor hidden, and the student not held back
 * one by one. A timed facet becomes released when its moment is given out.
 */
export const isShown = (state: CourseState, assignment: Assignment, studentId: StudentId, facet: Facet): boolean =>
  releaseOf(state, assignment.id, facet).state === "released" &&
  !assignment.held &&
  !assignment.hidden &&
  !resultOf(state, assignment.id, studentId).held;

/** What one student can see of one assignment: released fixed copies, and nothing else. */
export interface VisibleAssignment {
  readonly assignment: Pick<Assignment, "id" | "name" | "points" | "dueAt">;
  readonly score: FacetContent["score"] | null;
  readonly rubric: FacetContent["rubric"] | null;
  readonly comments: FacetContent["comments"] | null;
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
            name: assignment.name,
            points: assignment.points,
            dueAt: assignment.dueAt,
          },
          score: shown("score") ? (copy.score?.content ?? null) : null,
          rubric: shown("rubric") ? (copy.rubric?.content ?? null) : null,
          comments: shown("comments") ? (copy.comments?.content ?? null) : null,
          at,
        },
      ];
    })
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
}
