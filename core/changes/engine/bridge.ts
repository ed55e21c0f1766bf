import { sameValue } from "#core/kernel";
import { recordAt, recordsOf, TABLE_NAMES, type CourseState, type TableName } from "#core/model";
import { patchBetween, type Patch } from "./patch";

/** The patches that lead from one state to another, whatever happened in between. */
export const bridgeBetween = (from: CourseState, to: CourseState): Patch[] =>
  TABLE_NAMES.flatMap((table) => bridgeTable(from, to, table)).filter((patch) => patch !== null);

function bridgeTable(from: CourseState, to: CourseState, table: TableName): (Patch | null)[] {
  if (from[table] === to[table]) return [];
  const gone = recordsOf(from, table).filter(({ id }) => recordAt(to, table, id) === undefined);
  const changed = recordsOf(to, table).filter((record) => !sameValue(recordAt(from, table, record.id), record));
  return [
    ...gone.map((record) => patchBetween(table, record.id, record, null)),
    ...changed.map((record) => patchBetween(table, record.id, recordAt(from, table, record.id), record)),
  ];
}
