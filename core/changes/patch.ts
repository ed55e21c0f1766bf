import { ok, refuse, sameValue, type Result } from "#core/kernel";
import { blankRecord, hasBlanks, type CourseState, type RecordOf, type TableName } from "#core/model";

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
  const touched: { -readonly [T in TableName]?: Record<string, unknown> } = {};
  for (const { table, id, before, after } of patches) {
    const records = (touched[table] ??= { ...state[table] });
    const blank = blankOf(table, id);
    const stored = records[id] as Fields | undefined;
    const record = before === null ? stored : (stored ?? blank);
    if (!stands(record, before)) return refuse({ code: "changed_elsewhere", table, id });
    const next = after && before ? { ...record, ...after } : after;
    // The table is a fresh copy with ids as keys; there is no other way to take one out of it.
    // eslint-disable-next-line @typescript-eslint/no-dynamic-delete
    if (next === null || (blank && sameValue(next, blank))) delete records[id];
    else records[id] = next;
  }
  return ok({ ...state, ...touched } as CourseState);
}
