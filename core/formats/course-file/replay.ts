import { applyPatches, type Entry } from "#core/changes";
import { ok, refuse, type Result } from "#core/kernel";
import { EMPTY_STATE, TABLE_NAMES, wholeTable, type CourseState } from "#core/model";
import { JOURNAL, type CourseFileIssue } from "./archive";

/** The course that a whole journal leads to. */
export function replay(entries: readonly Entry[]): Result<CourseState, CourseFileIssue> {
  let state = EMPTY_STATE;
  for (const [index, entry] of entries.entries()) {
    const next = applyPatches(state, entry.change.patches);
    if (!next.ok || entry.seq !== index + 1) return refuse({ code: "file_part_damaged", part: JOURNAL });
    state = next.value;
  }
  return Object.keys(state.courses).length === 1 ? ok(state) : refuse({ code: "file_part_damaged", part: JOURNAL });
}

/** Every table, each record under its id. */
export const wholeTables = (state: CourseState) =>
  Object.fromEntries(TABLE_NAMES.map((table) => [table, wholeTable(state, table)]));
