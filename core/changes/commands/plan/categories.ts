import { z } from "zod/mini";
import { fromDecimal, ok, refuse, type CategoryId, type Id, type Result } from "#core/kernel";
import {
  assignmentsOf,
  categoriesOf,
  CATEGORY_DEFAULTS,
  categorySchema,
  decimalField,
  idField,
  nameField,
  type Category,
  type CourseState,
} from "#core/model";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { assignmentParts, finish, put, remove, withFields } from "../../engine/command-parts";

/** Commands for categories. */

const fields = z.omit(categorySchema, { id: true, order: true });
const addInput = z.extend(
  z.object({ name: nameField, weight: z.nullable(decimalField) }),
  z.partial(z.omit(fields, { name: true, weight: true })).shape,
);

/** Adds a category. Its name stands once in a course and its weight is not below 0. */
export const addCategory: CommandKind<z.infer<typeof addInput>> = {
  input: addInput,
  prepare: (state, input, { fresh }) => {
    const { name, weight, ...more } = input;
    const id = `category:${fresh()}` as Id<"category">;
    const blank: Category = { ...CATEGORY_DEFAULTS, id, name, weight, order: nextOrder(state) };
    const record = withFields(blank, more);
    const checked = checkCategory(state, record);
    return checked.ok ? finish(`Category ${record.name} added`, put(state, "categories", record)) : checked;
  },
};

const editInput = z.object({ categoryId: idField("category"), fields: z.partial(fields) });

/** Changes a category. */
export const editCategory: CommandKind<z.infer<typeof editInput>> = {
  input: editInput,
  prepare: (state, input) => {
    const found = categoryAt(state, input.categoryId);
    if (!found.ok) return found;
    const record = withFields(found.value, input.fields);
    const checked = checkCategory(state, record);
    if (!checked.ok) return checked;
    const { weight, name } = record;
    const onlyWeight = Object.keys(input.fields).length === 1 && "weight" in input.fields;
    const line = onlyWeight ? `Category ${name}: weight ${weight ?? "none"}` : `Category ${name} changed`;
    return finish(line, put(state, "categories", record));
  },
};

const placeInput = z.object({
  categoryId: idField("category"),
  /** The category it shall be part of; null for the course. */
  parentId: z.nullable(idField("category")),
  /** The category it shall stand before; null for the end. */
  beforeId: z.nullable(idField("category")),
});

/** Moves a category within the course, or into another one. */
export const placeCategory: CommandKind<z.infer<typeof placeInput>> = {
  input: placeInput,
  prepare: (state, { categoryId, parentId, beforeId }) => {
    const found = categoryAt(state, categoryId);
    if (!found.ok) return found;
    const record = { ...found.value, parentId };
    const checked = checkCategory(state, record);
    if (!checked.ok) return checked;
    const others = categoriesOf(state).filter(({ id }) => id !== categoryId);
    const at = others.findIndex(({ id }) => id === beforeId);
    const list = at < 0 ? [...others, record] : [...others.slice(0, at), record, ...others.slice(at)];
    return finish(
      `Category ${record.name} moved`,
      ...list.map((category, order) => put(state, "categories", { ...category, order })),
    );
  },
};

const removeInput = z.object({ categoryId: idField("category") });

/** Removes a category with the categories and assignments in it and all that is known of them. */
export const removeCategory: CommandKind<z.infer<typeof removeInput>> = {
  input: removeInput,
  prepare: (state, { categoryId }) => {
    const found = categoryAt(state, categoryId);
    if (!found.ok) return found;
    const gone = new Set(idsBelow(state, categoryId));
    const assignments = assignmentsOf(state).filter((assignment) => gone.has(assignment.categoryId));
    return finish(
      `Category ${found.value.name} removed`,
      ...assignments.flatMap(({ id }) => assignmentParts(state, id)),
      ...[...gone].map((id) => remove(state, "categories", id)),
      remove(state, "totalSeals", categoryId),
    );
  },
};

/** A category and all categories inside it. */
const idsBelow = (state: CourseState, id: CategoryId): CategoryId[] => [
  id,
  ...categoriesOf(state)
    .filter(({ parentId }) => parentId === id)
    .flatMap((child) => idsBelow(state, child.id)),
];

/** The order of a new category: behind all others. */
export const nextOrder = (state: CourseState): number =>
  categoriesOf(state).reduce((most, { order }) => Math.max(most, order + 1), 0);

function checkCategory(state: CourseState, category: Category): Result<null, ChangeIssue> {
  const { id, name, weight, termWeight, parentId } = category;
  const below = [weight, termWeight].find((figure) => figure !== null && fromDecimal(figure).n < 0n);
  if (below) return refuse({ code: "weight_below_zero", weight: below });
  if (Object.values(state.categories).some((other) => other.name === name && other.id !== id)) {
    return refuse({ code: "name_taken", name });
  }
  if (parentId !== null && !state.categories[parentId]) {
    return refuse({ code: "unknown_record", what: "category", id: parentId });
  }
  if (parentId !== null && idsBelow(state, id).includes(parentId)) {
    return refuse({ code: "category_inside_itself", name });
  }
  return ok(null);
}

function categoryAt(state: CourseState, id: CategoryId): Result<Category, ChangeIssue> {
  const found = state.categories[id];
  return found ? ok(found) : refuse({ code: "unknown_record", what: "category", id });
}
