import { roundToText } from "#core/kernel";
import { courseOf, rosterName, studentsOf, type CourseState } from "#core/model";
import { visibleTo } from "#core/release";
import { figuresOf } from "#core/totals";
import { inMark } from "../../../ui/words/figures";

/** The students of a course with their totals and how much they see. */
export function studentLines(state: CourseState) {
  const { percentPlaces } = courseOf(state);
  return studentsOf(state).map((student) => {
    const { now, letter } = figuresOf(state).totals(student.id);
    return {
      id: student.id,
      name: rosterName(state, student),
      number: student.number,
      section: student.sectionId ? (state.sections[student.sectionId]?.name ?? "") : "",
      now: now ? inMark(roundToText(now, percentPlaces)) : "",
      letter: letter ?? "",
      visible: visibleTo(state, student.id).length,
    };
  });
}
