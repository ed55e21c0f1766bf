import type { SectionId } from "#core/kernel";
import type { CourseState } from "#core/model";

/** The course as if its roster were one section; null: the whole. Only for looking. */
export function ofSection(state: CourseState, sectionId: SectionId | null): CourseState {
  if (sectionId === null) return state;
  const own = Object.entries(state.students).filter(([, student]) => student.sectionId === sectionId);
  return { ...state, students: Object.fromEntries(own) };
}
