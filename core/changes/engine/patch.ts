import { ok, refuse, sameValue, type Result } from "#core/kernel";
import {
  blankRecord,
  completeFields,
  completeRecord,
  hasBlanks,
  StateEditor,
  type CourseState,
  type RecordOf,
  type TableName,
} from "#core/model";

/**
 * What happens to one record: `before` and `after` hold only the fields that differ; null stands for "no record".
 * Where a record that is not stored counts as blank, its fields are compared with the blank ones, so that two tabs may
 * fill different fields of it. Swapping `before` and `after` inverts the patch.
 */
export interface Patch {
  readonly table: TableName;
  readonly id: string;
  readonly before: Readonly<Record<string, unknown>> | null;
  readonly after: Readonly<Record<string, unknown>> | null;
}

/** A patch that does not fit the state it is applied to. */
export interface ConflictIssue {
  readonly code: "changed_elsewhere";
  readonly table: TableName;
  readonly id: string;
}

type Fields = Readonly<Record<string, unknown>>;

/** The patch that brings a record from one value to another; null when they are equal. */
export function patchBetween<T extends TableName>(
  table: T,
  id: string,
  stored: RecordOf<T> | undefined,
  after: RecordOf<T> | null,
): Patch | null {
  const before = stored ?? blankOf(table, id);
  if (!before) return after && { table, id, before: null, after: after };
  if (!after) return { table, id, before, after: null };
  const old = before as Fields;
  const fresh = after as Fields;
  const changed = Object.keys(fresh).filter((field) => !sameValue(old[field], fresh[field]));
  if (changed.length === 0) return null;
  const pick = (from: Fields) => Object.fromEntries(changed.map((field) => [field, from[field]]));
  return { table, id, before: pick(old), after: pick(fresh) };
}

/** The patches that take others back, in reverse order. */
export const invertPatches = (patches: readonly Patch[]): Patch[] =>
  patches.map(({ before, after, ...place }) => ({ ...place, before: after, after: before })).reverse();

const blankOf = (table: TableName, id: string): Fields | undefined =>
  hasBlanks(table) ? { ...blankRecord(table, id) } : undefined;

/** Whether a record is as a patch expects to find it. */
function stands(record: Fields | undefined, before: Fields | null): boolean {
  if (before === null) return record === undefined;
  return record !== undefined && Object.entries(before).every(([field, value]) => sameValue(record[field], value));
}

/**
 * Applies patches to a state and returns the next one; the old state is untouched. Refused as a whole when any record
 * is not as its patch expects: nothing is ever overwritten silently.
 */
export function applyPatches(state: CourseState, patches: readonly Patch[]): Result<CourseState, ConflictIssue> {
  const editor = new StateEditor(state);
  const issue = applyTo(editor, patches);
  return issue ? refuse(issue) : ok(editor.finish());
}

/** Applies patches to what is being edited; where one does not fit, what came of those before it is of no use. */
export function applyTo(editor: StateEditor, patches: readonly Patch[]): ConflictIssue | null {
  for (const { table, id, before, after } of patches) {
    const blank = blankOf(table, id);
    const stored = editor.get(table, id);
    const record = before === null ? stored : (stored ?? blank);
    const expected = before && (after === null ? completeRecord(table, before) : completeFields(table, before));
    if (!stands(record, expected)) return { code: "changed_elsewhere", table, id };
    const next = after && (before ? { ...record, ...completeFields(table, after) } : completeRecord(table, after));
    editor.set(table, id, blank && sameValue(next, blank) ? null : next);
  }
  return null;
}

/** The state that patches lead to, those that change nothing left out. */
export const stateAfter = (
  state: CourseState,
  patches: readonly (Patch | null)[],
): Result<CourseState, ConflictIssue> =>
  applyPatches(
    state,
    patches.filter((patch) => patch !== null),
  );
