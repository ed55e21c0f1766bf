import { z } from "zod/mini";
import { milliseconds, refuse, type Id, type Instant } from "#core/kernel";
import {
  assignmentSchema,
  assignmentsOf,
  categoriesOf,
  categorySchema,
  courseOf,
  courseSchema,
  rubricSchema,
  scaleSchema,
  termSchema,
  termsOf,
  type CourseState,
} from "#core/model";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { editCourse } from "./course-rules";
import { finish, put } from "../../engine/command-parts";

const rulesSchema = z.pick(courseSchema, {
  totals: true,
  lateRule: true,
  missingPercent: true,
  letters: true,
  passMark: true,
  percentPlaces: true,
  lettersCompare: true,
  emptyCategories: true,
  capAtHundred: true,
  totalsRestOn: true,
});

/** A course without its people and what they did: what another course can begin with. */
const planSchema = z.object({
  rules: rulesSchema,
  terms: z.array(termSchema),
  categories: z.array(categorySchema),
  scales: z.array(scaleSchema),
  rubrics: z.array(rubricSchema),
  assignments: z.array(assignmentSchema),
});
/** A course without its people and what they did. */
export type CoursePlanCopy = z.infer<typeof planSchema>;

/** The plan of a course, every date moved by whole days; null leaves the dates of assignments out. */
export function planFrom(state: CourseState, shiftDays: number | null): CoursePlanCopy {
  const moved = <T extends Instant | null>(at: T): T =>
    (at === null ? null : new Date(milliseconds(at) + (shiftDays ?? 0) * 86_400_000).toISOString()) as T;
  return {
    rules: rulesSchema.parse(courseOf(state)),
    terms: termsOf(state).map((term) => ({ ...term, startsAt: moved(term.startsAt), endsAt: moved(term.endsAt) })),
    categories: categoriesOf(state),
    scales: Object.values(state.scales),
    rubrics: Object.values(state.rubrics),
    assignments: assignmentsOf(state).map((assignment) => ({
      ...assignment,
      givenAt: shiftDays === null ? null : moved(assignment.givenAt),
      dueAt: shiftDays === null ? null : moved(assignment.dueAt),
      files: [],
      held: false,
      scaling: null,
      zones: [],
    })),
  };
}

const input = z.object({ plan: planSchema, from: z.string().check(z.maxLength(200)) });

/** Takes the plan of another course over into a course that has no categories and assignments yet. */
export const copyPlan: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { plan, from }, context) => {
    const [taken] = [...categoriesOf(state), ...assignmentsOf(state)];
    if (taken) return refuse({ code: "name_taken", name: taken.name });
    const rules = editCourse.prepare(state, { fields: plan.rules }, context);
    if (!rules.ok && rules.issue.code !== "nothing_to_change") return rules;
    const renewed = renewIds(plan, context.fresh);
    return finish(
      `Plan of ${from} taken over: ${counted(plan.assignments.length, "assignment")}`,
      ...(rules.ok ? rules.value.patches : []),
      ...renewed.terms.map((record) => put(state, "terms", record)),
      ...renewed.categories.map((record) => put(state, "categories", record)),
      ...renewed.scales.map((record) => put(state, "scales", record)),
      ...renewed.rubrics.map((record) => put(state, "rubrics", record)),
      ...renewed.assignments.map((record) => put(state, "assignments", record)),
    );
  },
};

/** The same plan under fresh ids, so that the two courses never share a record. */
function renewIds(plan: CoursePlanCopy, fresh: () => string): Omit<CoursePlanCopy, "rules"> {
  const ids = new Map<string, string>();
  const renew = <K extends string>(id: Id<K>): Id<K> => {
    const known = ids.get(id);
    if (known !== undefined) return known as Id<K>;
    const made = `${id.slice(0, id.indexOf(":"))}:${fresh()}`;
    ids.set(id, made);
    return made as Id<K>;
  };
  const maybe = <K extends string>(id: Id<K> | null) => (id === null ? null : renew(id));
  return {
    terms: plan.terms.map((term) => ({ ...term, id: renew(term.id) })),
    categories: plan.categories.map((one) => ({ ...one, id: renew(one.id), parentId: maybe(one.parentId) })),
    scales: plan.scales.map((scale) => ({
      ...scale,
      id: renew(scale.id),
      levels: scale.levels.map((level) => ({ ...level, id: renew(level.id) })),
    })),
    rubrics: plan.rubrics.map((rubric) => ({
      ...rubric,
      id: renew(rubric.id),
      criteria: rubric.criteria.map((criterion) => ({
        ...criterion,
        id: renew(criterion.id),
        levels: criterion.levels.map((level) => ({ ...level, id: renew(level.id) })),
      })),
    })),
    assignments: plan.assignments.map((one) => ({
      ...one,
      id: renew(one.id),
      categoryId: renew(one.categoryId),
      rubricId: maybe(one.rubricId),
      outcomeRubricId: maybe(one.outcomeRubricId),
      outcomeScaleId: maybe(one.outcomeScaleId),
      scoredIn:
        one.scoredIn.kind === "scale" ? { ...one.scoredIn, scaleId: renew(one.scoredIn.scaleId) } : one.scoredIn,
    })),
  };
}
