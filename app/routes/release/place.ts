import type { Command } from "#core/changes";
import type { AssignmentId, SectionId, StudentId } from "#core/kernel";
import { assignmentsOf, FACETS, type Assignment, type CourseState, type Facet } from "#core/model";
import { fromAddress, inAddress } from "../../ui/address";

/** Facets that are a student's own; class figures go out only when they are asked for. */
const OWN_FACETS: readonly Facet[] = FACETS.filter((facet) => facet !== "classFigures");

/** What the release screen is about, as the address says it. */
export interface ReleasePlace {
  readonly assignmentId: AssignmentId | null;
  /** `course`, a term or a category, where a total is looked at instead of an assignment. */
  readonly totalId: string | null;
  readonly facets: readonly Facet[];
  /** Only this section, or only this student; neither: everyone. */
  readonly sectionId: SectionId | null;
  readonly studentId: StudentId | null;
  /** All assignments of the same category go with it. */
  readonly wholeCategory: boolean;
  /** Whose copy stands at the side. */
  readonly readerId: StudentId | null;
}

/** Reads the search of an address. What cannot be read is left out. */
export function readPlace(search: URLSearchParams): ReleasePlace {
  const id = <K extends string>(name: string, kind: K) => {
    const part = search.get(name);
    return part === null ? null : fromAddress(kind, part);
  };
  const wanted = search.get("facets")?.split(" ");
  return {
    assignmentId: id("assignment", "assignment"),
    totalId: search.get("total"),
    facets: wanted ? FACETS.filter((facet) => wanted.includes(facet)) : OWN_FACETS,
    sectionId: id("section", "section"),
    studentId: id("only", "student"),
    wholeCategory: search.get("with") === "category",
    readerId: id("student", "student"),
  };
}

/** A change of what goes out, of how much, or to whom; `to` is a section's or a student's id, or empty for everyone. */
export interface ScopeChange {
  readonly facets?: readonly Facet[];
  readonly to?: string;
  readonly category?: boolean;
}

/** A place with such a change. */
export function withScope(place: ReleasePlace, { facets, to, category }: ScopeChange): ReleasePlace {
  return {
    ...place,
    ...(facets && { facets }),
    ...(category !== undefined && { wholeCategory: category }),
    ...(to !== undefined && {
      sectionId: to.startsWith("section:") ? (to as SectionId) : null,
      studentId: to.startsWith("student:") ? (to as StudentId) : null,
    }),
  };
}

/** Writes what goes out, and to whom, into the search of an address. */
export function writeScope(search: URLSearchParams, place: ReleasePlace): void {
  search.set("facets", place.facets.join(" "));
  for (const [name, value] of [
    ["section", place.sectionId && inAddress(place.sectionId)],
    ["only", place.studentId && inAddress(place.studentId)],
    ["with", place.wholeCategory ? "category" : null],
  ] as const) {
    if (value === null) search.delete(name);
    else search.set(name, value);
  }
}

/** The part of a command that says for whom it is. */
export const scopeOf = ({ sectionId, studentId }: Pick<ReleasePlace, "sectionId" | "studentId">) =>
  studentId ? { studentIds: [studentId] } : sectionId ? { sectionId } : {};

/** The assignments that go with one, where the whole category is meant. */
export const togetherWith = (state: CourseState, { id, categoryId }: Assignment): AssignmentId[] =>
  assignmentsOf(state).flatMap((other) => (other.categoryId === categoryId && other.id !== id ? [other.id] : []));

/** The release that the screen would do now. */
export const releaseCommand = (
  state: CourseState,
  assignment: Assignment,
  facets: readonly Facet[],
  place: ReleasePlace,
): Extract<Command, { type: "release" }> => ({
  type: "release",
  assignmentId: assignment.id,
  facets: [...facets],
  ...(place.wholeCategory && { together: togetherWith(state, assignment) }),
  ...scopeOf(place),
});
