import { hasContent, studentCopyOf } from "#core/formats";
import type { Instant } from "#core/kernel";
import { deliveriesOf, rosterName, sectionsOf, studentsOf, type CourseState } from "#core/model";

/** What the copy of each student would hold, and what was delivered before. */
export function deliverRows(state: CourseState, at: Instant) {
  const students = studentsOf(state).map((student) => {
    const content = studentCopyOf(state, student.id, at);
    return {
      id: student.id,
      name: rosterName(state, student),
      number: student.number,
      sectionId: student.sectionId,
      letters: content?.letters.length ?? 0,
      totals: content?.totals.length ?? 0,
      has: content !== null && hasContent(content),
    };
  });
  return { state, students, at, sections: sectionsOf(state), deliveries: deliveriesOf(state) };
}
