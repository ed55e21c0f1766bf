import { z } from "zod/mini";
import {
  decimal,
  fromDecimal,
  milliseconds,
  ok,
  refuse,
  sameValue,
  type AssignmentId,
  type RubricId,
  type CategoryId,
  type Id,
  type Result,
} from "#core/kernel";
import {
  ASSIGNMENT_DEFAULTS,
  assignmentSchema,
  decimalField,
  assignmentsOf,
  CATEGORY_DEFAULTS,
  idField,
  nameField,
  cutAt,
  rubricSchema,
  type Assignment,
  type Category,
  type CourseState,
} from "#core/model";
import { counted } from "#core/words";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { nextOrder } from "./categories";
import { assignmentAt, assignmentParts, finish, put, rubricFault, withFields } from "../../engine/command-parts";

/** Commands for assignments. */

const fields = z.omit(assignmentSchema, { id: true, order: true, held: true, scaling: true });
const NEEDED = {
  name: true,
  shortName: true,
  points: true,
  dueAt: true,
  channel: true,
  bonus: true,
  task: true,
} as const;
const needed = z.pick(fields, NEEDED);
const optional = z.partial(z.omit(fields, { ...NEEDED, categoryId: true }));

const addInput = z.extend(z.extend(needed, optional.shape), {
  categoryId: idField("category"),
  rubric: z.nullable(rubricSchema),
});

/** Adds an assignment, with its rubric where there is one. */
export const addAssignment: CommandKind<z.infer<typeof addInput>> = {
  input: addInput,
  prepare: (state, { rubric, ...input }, { fresh }) => {
    const fault = rubric && rubricFault(rubric);
    if (fault) return refuse(fault);
    const record = newAssignment(state, { ...input, rubricId: rubric?.id ?? input.rubricId ?? null }, fresh, 0);
    const withRubric = rubric ? { ...state, rubrics: { ...state.rubrics, [rubric.id]: rubric } } : state;
    const checked = checkAssignment(withRubric, record);
    if (!checked.ok) return checked;
    return finish(
      `Assignment ${record.name} added`,
      rubric && put(state, "rubrics", rubric),
      put(state, "assignments", record),
    );
  },
};

const manyInput = z.object({
  assignments: z
    .array(
      z.extend(z.extend(needed, optional.shape), {
        /** A category of the course, or the name of one; it is made where there is none of that name. */
        category: z.union([
          idField("category"),
          z.object({ name: nameField, weight: z.optional(z.nullable(decimalField)) }),
        ]),
        /** A rubric that comes with it. */
        rubric: z.optional(z.nullable(rubricSchema)),
      }),
    )
    .check(z.minLength(1), z.maxLength(200)),
});

/** Adds many assignments at once, and the categories they name; one change, one undo. */
export const addAssignments: CommandKind<z.infer<typeof manyInput>> = {
  input: manyInput,
  prepare: (state, { assignments }, { fresh }) => {
    let next = state;
    const categories: Category[] = [];
    const records: Assignment[] = [];
    for (const { category, rubric = null, ...input } of assignments) {
      const fault = rubric && rubricFault(rubric);
      if (fault) return refuse(fault);
      if (rubric) next = { ...next, rubrics: { ...next.rubrics, [rubric.id]: rubric } };
      const found = typeof category === "string" ? category : categoryNamed(next, category.name)?.id;
      const weight = typeof category === "string" ? null : (category.weight ?? null);
      const standing = found === undefined ? null : next.categories[found]?.weight;
      if (weight !== null && standing != null && !sameValue(weight, standing)) {
        return refuse({
          code: "category_has_weight",
          name: next.categories[found ?? ""]?.name ?? "",
          weight: standing,
        });
      }
      const made =
        found === undefined && typeof category !== "string" ? newCategory(next, category.name, weight, fresh) : null;
      if (made) {
        categories.push(made);
        next = { ...next, categories: { ...next.categories, [made.id]: made } };
      }
      const categoryId = found ?? (made as Category).id;
      const rubricId = rubric?.id ?? input.rubricId ?? null;
      const record = newAssignment(state, { ...input, rubricId, categoryId }, fresh, records.length);
      const checked = checkAssignment(next, record);
      if (!checked.ok) return checked;
      records.push(record);
      next = { ...next, assignments: { ...next.assignments, [record.id]: record } };
    }
    const [first] = records;
    const line =
      records.length === 1 && first
        ? `Assignment ${first.name} added`
        : `${counted(records.length, "assignment")} added`;
    return finish(
      line,
      ...categories.map((category) => put(state, "categories", category)),
      ...assignments.map(({ rubric }) => (rubric ? put(state, "rubrics", rubric) : null)),
      ...records.map((record) => put(state, "assignments", record)),
    );
  },
};

/** What an assignment brings into another course: all but its files, its scale and its outcomes, which stay behind. */
export const copiedFields = (assignment: Assignment) =>
  z
    .omit(z.extend(needed, optional.shape), {
      files: true,
      scoredIn: true,
      rubricId: true,
      outcomeRubricId: true,
      outcomeScaleId: true,
    })
    .parse(assignment);

const categoryNamed = (state: CourseState, name: string) =>
  Object.values(state.categories).find((category) => category.name.toLowerCase() === name.toLowerCase());

/** A category made by itself. The first of a course is all of it, until there is another. */
const newCategory = (state: CourseState, name: string, weight: Category["weight"], fresh: () => string): Category => ({
  ...CATEGORY_DEFAULTS,
  id: `category:${fresh()}` as Id<"category">,
  name,
  weight: weight ?? (Object.keys(state.categories).length === 0 ? decimal("100") : null),
  order: nextOrder(state),
});

const newAssignment = (
  state: CourseState,
  { categoryId, ...input }: z.infer<typeof needed> & z.infer<typeof optional> & { readonly categoryId: CategoryId },
  fresh: () => string,
  behind: number,
): Assignment => {
  const { name, shortName, points, dueAt, channel, bonus, task, ...more } = input;
  const id = `assignment:${fresh()}` as Id<"assignment">;
  const order = assignmentsOf(state).reduce((most, one) => Math.max(most, one.order + 1), 0) + behind;
  const blank = { ...ASSIGNMENT_DEFAULTS, aboveAllowed: false, rubricId: null };
  return withFields<Assignment>(
    { ...blank, id, order, categoryId, name, shortName, points, dueAt, channel, bonus, task },
    more,
  );
};

const editInput = z.object({
  assignmentId: idField("assignment"),
  fields: z.partial(fields),
  /** The person was told what happens to papers already judged. */
  confirmed: z.optional(z.boolean()),
});

/** Changes an assignment. Another rubric, where papers are judged by the present one, is asked about once. */
export const editAssignment: CommandKind<z.infer<typeof editInput>> = {
  input: editInput,
  prepare: (state, { assignmentId, fields: changed, confirmed = false }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const record = withFields(found.value, changed);
    const checked = checkAssignment(state, record);
    if (!checked.ok) return checked;
    const { rubricId, outcomeRubricId } = found.value;
    const judged =
      (record.rubricId === rubricId ? 0 : judgedPapers(state, assignmentId, rubricId)) +
      (record.outcomeRubricId === outcomeRubricId ? 0 : judgedPapers(state, assignmentId, outcomeRubricId));
    if (judged > 0 && !confirmed) return refuse({ code: "rubric_in_use", papers: judged, canConfirm: true });
    return finish(`Assignment ${record.name} changed`, put(state, "assignments", record));
  },
};

/** How many papers of an assignment have a criterion judged by a rubric, whether it gives the score or outcomes. */
export const judgedPapers = (state: CourseState, assignmentId: AssignmentId, rubricId: RubricId | null): number => {
  const criteria = new Set((rubricId && state.rubrics[rubricId]?.criteria.map(({ id }) => id)) ?? []);
  return new Set(
    Object.values(cutAt(state, "judgements", assignmentId) ?? {})
      .filter(({ criterionId, points }) => points !== null && criteria.has(criterionId))
      .map(({ studentId }) => studentId),
  ).size;
};

const duplicateInput = z.object({ assignmentId: idField("assignment") });

/** Makes another assignment like one, right behind it; nothing that students did is taken over. */
export const duplicateAssignment: CommandKind<z.infer<typeof duplicateInput>> = {
  input: duplicateInput,
  prepare: (state, { assignmentId }, { fresh }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const taken = new Set(Object.values(state.assignments).map(({ name }) => name));
    let name = `${found.value.name} (copy)`;
    for (let number = 2; taken.has(name); number += 1) name = `${found.value.name} (copy ${String(number)})`;
    const copy = {
      ...found.value,
      id: `assignment:${fresh()}` as Id<"assignment">,
      name,
      held: false,
      scaling: null,
    };
    const list = assignmentsOf(state).flatMap((one) => (one.id === assignmentId ? [one, copy] : [one]));
    return finish(`Assignment ${name} added`, ...reordered(state, list));
  },
};

const placeInput = z.object({
  assignmentId: idField("assignment"),
  categoryId: idField("category"),
  /** The assignment it shall stand before; null for the end of the category. */
  beforeId: z.nullable(idField("assignment")),
});

/** Moves an assignment within its category or into another one. */
export const placeAssignment: CommandKind<z.infer<typeof placeInput>> = {
  input: placeInput,
  prepare: (state, { assignmentId, categoryId, beforeId }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    const record = { ...found.value, categoryId };
    const checked = checkAssignment(state, record);
    if (!checked.ok) return checked;
    const others = assignmentsOf(state).filter(({ id }) => id !== assignmentId);
    const at = others.findIndex(({ id }) => id === beforeId);
    const list = at < 0 ? [...others, record] : [...others.slice(0, at), record, ...others.slice(at)];
    return finish(`Assignment ${record.name} moved`, ...reordered(state, list));
  },
};

const reordered = (state: CourseState, list: readonly Assignment[]) =>
  list.map((assignment, order) => put(state, "assignments", { ...assignment, order }));

const removeInput = z.object({ assignmentIds: z.array(idField("assignment")).check(z.minLength(1), z.maxLength(500)) });

/** Removes assignments with everything that is known of them; one undo brings all of it back. */
export const removeAssignments: CommandKind<z.infer<typeof removeInput>> = {
  input: removeInput,
  prepare: (state, { assignmentIds }) => {
    const found = assignmentIds.map((id) => assignmentAt(state, id));
    for (const one of found) if (!one.ok) return one;
    const [first] = found;
    const what =
      found.length === 1 && first?.ok ? `Assignment ${first.value.name}` : counted(found.length, "assignment");
    return finish(`${what} removed`, ...assignmentIds.flatMap((id) => assignmentParts(state, id)));
  },
};

function checkAssignment(state: CourseState, assignment: Assignment): Result<null, ChangeIssue> {
  const { id, name, categoryId, points, givenAt, dueAt, rubricId, outcomeRubricId, outcomeScaleId, scoredIn } =
    assignment;
  if (!state.categories[categoryId]) return refuse({ code: "unknown_record", what: "category", id: categoryId });
  if (Object.values(state.assignments).some((other) => other.name === name && other.id !== id)) {
    return refuse({ code: "name_taken", name });
  }
  if (fromDecimal(points).n < 0n) return refuse({ code: "points_below_zero", points });
  if (givenAt && dueAt && milliseconds(dueAt) < milliseconds(givenAt)) {
    return refuse({ code: "due_before_given", givenAt, dueAt });
  }
  const both = rubricId === null ? undefined : state.rubrics[rubricId];
  if (both && rubricId === outcomeRubricId) return refuse({ code: "rubric_for_both", name: both.name });
  for (const rubric of [rubricId, outcomeRubricId]) {
    if (rubric && !state.rubrics[rubric]) return refuse({ code: "unknown_record", what: "rubric", id: rubric });
  }
  for (const scale of [outcomeScaleId, scoredIn.kind === "scale" ? scoredIn.scaleId : null]) {
    if (scale && !state.scales[scale]) return refuse({ code: "unknown_record", what: "scale", id: scale });
  }
  return ok(null);
}
