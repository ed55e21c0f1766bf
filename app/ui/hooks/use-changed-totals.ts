import { useCallback, useMemo } from "react";
import { studentsOf, type CourseState, type Student } from "#core/model";
import { changedTotals, type ChangedTotal } from "#core/totals";
import { useSliced, type Sliced } from "./use-sliced";

/** Students worked out at once: so many that the flat engine pays, so few that the page never waits. */
export const STRETCH = 20;

/** The totals that would be others in another state of the course, found a stretch of students at a time; null asks nothing. */
export function useChangedTotals(before: CourseState, after: CourseState | null): Sliced<ChangedTotal> {
  const students = useMemo(() => studentsOf(before), [before]);
  const stretches = useMemo(
    () =>
      Array.from({ length: Math.ceil(students.length / STRETCH) }, (_, at) =>
        students.slice(at * STRETCH, (at + 1) * STRETCH),
      ),
    [students],
  );
  const look = useCallback(
    (some: readonly Student[]) => (after ? changedTotals(before, after, some) : []),
    [before, after],
  );
  const { found, done, of } = useSliced(stretches, after ? look : null);
  return { found, done: Math.min(done * STRETCH, students.length), of: of === 0 ? 0 : students.length };
}
