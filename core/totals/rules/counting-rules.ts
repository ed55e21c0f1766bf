import { keptBy } from "#core/kernel";
import { courseOf, type Course, type CourseState } from "#core/model";

/** A course without what only decides what students are shown, and when: no figure rests on that. */
export type CountingRules = Omit<Course, "totalsRestOn" | "releaseStops" | "releasePasses">;

/** The rules of a state that figures rest on, for a basis: compared rule by rule, whatever else of the course was changed. */
export const countingRules = keptBy({
  owner: (state: CourseState): Course => courseOf(state),
  make: (_, state): readonly unknown[] => {
    const { totalsRestOn: _shown, releaseStops: _stops, releasePasses: _passes, ...rules } = courseOf(state);
    const counting: CountingRules = rules;
    return Object.values(counting);
  },
});
