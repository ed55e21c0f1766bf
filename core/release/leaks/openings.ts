import { milliseconds, type AssignmentId, type Instant, type StudentId } from "#core/kernel";
import type { TOTALS_LETTER } from "#core/model";
import { copyOf, FACETS, type CourseState, type Opening } from "#core/model";

/** What an opening is kept under. */
export const openingKey = (what: AssignmentId | typeof TOTALS_LETTER, studentId: StudentId): string =>
  `${what}/${studentId}`;

/** When a student opened a letter, from the first time to the last. */
export const openingsOf = (
  state: CourseState,
  what: AssignmentId | typeof TOTALS_LETTER,
  studentId: StudentId,
): Opening["times"] => state.openings[openingKey(what, studentId)]?.times ?? [];

/** How a student stands to what they were given: not opened, opened, or opened before it was given out anew. */
export type Reading = "unopened" | "opened" | "older";

/** Whether a student has seen what they were last given of an assignment. */
export function readingOf(state: CourseState, assignmentId: AssignmentId, studentId: StudentId): Reading {
  const last = openingsOf(state, assignmentId, studentId).at(-1);
  if (last === undefined) return "unopened";
  const copy = copyOf(state, assignmentId, studentId);
  const given = FACETS.flatMap((facet) => copy[facet]?.at ?? [])
    .sort()
    .at(-1);
  return given !== undefined && milliseconds(last) < milliseconds(given) ? "older" : "opened";
}

/** Whether a student has seen anything that was in their hands between two moments, or may have: copies that left as files count. */
export function sawBetween(
  state: CourseState,
  what: AssignmentId | typeof TOTALS_LETTER,
  studentId: StudentId,
  from: Instant,
  until: Instant | null,
): boolean {
  const inside = (at: Instant) =>
    milliseconds(at) >= milliseconds(from) && (until === null || milliseconds(at) < milliseconds(until));
  return (
    openingsOf(state, what, studentId).some(inside) ||
    Object.values(state.deliveries).some(({ at, studentIds }) => inside(at) && studentIds.includes(studentId))
  );
}
