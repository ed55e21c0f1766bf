import { ok, refuse, type ChangeId, type Id, type Result } from "#core/kernel";
import { type CourseState, recordAt, recordsOf, type TableName, usesOfRubric, usesOfScale } from "#core/model";
import type { ChangeIssue, Context } from "./change";
import { NOT_UNDOABLE, type Entry } from "./history";
import { applyPatches, invertPatches } from "./patch";

/** For each table, how many records of a state still name one of its ids. */
const REFERRERS: Partial<Readonly<Record<TableName, (state: CourseState, id: string) => boolean>>> = {
  students: (state, id) =>
    (["results", "handIns", "judgements", "answers", "copies", "notes", "messages", "posts"] as const).some((table) =>
      recordsOf(state, table).some(({ studentId }) => studentId === id),
    ) || Object.values(state.groups).some(({ memberIds }) => memberIds.some((member) => member === id)),
  assignments: (state, id) =>
    (["results", "handIns", "judgements", "answers", "copies"] as const).some(
      (table) => state[table][id] !== undefined,
    ) || Object.values(state.notes).some(({ assignmentId }) => assignmentId === id),
  categories: (state, id) =>
    Object.values(state.assignments).some(({ categoryId }) => categoryId === id) ||
    Object.values(state.categories).some(({ parentId }) => parentId === id),
  rubrics: (state, id) => usesOfRubric(state, id).length > 0,
  scales: (state, id) => usesOfScale(state, id).length > 0,
  sections: (state, id) => Object.values(state.students).some(({ sectionId }) => sectionId === id),
};

/**
 * The entry, but for its place, that undoes one change out of the middle of the journal. Refused when a later change
 * touched the same fields, or when something made later names a record that would go.
 */
export function prepareUndoOf(
  state: CourseState,
  entries: readonly Entry[],
  changeId: ChangeId,
  context: Context,
): Result<Pick<Entry, "kind" | "of" | "change">, ChangeIssue> {
  const entry = entries.find(({ kind, change }) => kind === "change" && change.id === changeId);
  if (!entry || NOT_UNDOABLE.has(entry.change.type)) return refuse({ code: "not_undoable" });
  if (isUndone(entries, changeId)) return refuse({ code: "already_undone" });
  const patches = invertPatches(entry.change.patches);
  const next = applyPatches(state, patches);
  if (!next.ok) return refuse({ code: "something_rests_on_it", what: next.issue.table });
  for (const { table, id } of patches) {
    if (recordAt(next.value, table, id)) continue;
    if (REFERRERS[table]?.(next.value, id)) return refuse({ code: "something_rests_on_it", what: table });
  }
  const { type, line } = entry.change;
  const id = `change:${context.fresh()}` as Id<"change">;
  return ok({
    kind: "undo",
    of: changeId,
    change: { id, type, at: context.at, by: context.by, line: `Undone: ${line}`, patches },
  });
}

/** Whether the last that happened to a change is that it was undone. */
export const isUndone = (entries: readonly Entry[], changeId: ChangeId): boolean =>
  entries.findLast(({ of }) => of === changeId)?.kind === "undo";
