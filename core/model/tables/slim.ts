import { sameValue } from "#core/kernel";
import { blankRecord, hasBlanks } from "./blank";
import { TABLE_NAMES, type CourseState } from "./state";
import { isCut } from "./tables";

type Fields = Readonly<Record<string, unknown>>;
type Records = Readonly<Record<string, Fields>>;

/** A course as it is kept: where a record that is not stored counts as blank, only what differs from the blank one. */
export type SlimState = Readonly<Record<string, Readonly<Record<string, unknown>>>>;

/** What has to be kept of a course; `fullState` makes the same course of it. */
export const slimState = (state: CourseState): SlimState => eachRecord(state, slimRecord);

/** The course that was made slim. */
export const fullState = (slim: SlimState): CourseState => eachRecord(slim, fullRecord) as CourseState;

function eachRecord(state: SlimState, change: (table: Blanked, id: string, record: Fields) => Fields): SlimState {
  const records = (table: Blanked, all: Records): Records => {
    const changed: Record<string, Fields> = {};
    for (const id in all) changed[id] = change(table, id, all[id] as Fields);
    return changed;
  };
  return Object.fromEntries(
    TABLE_NAMES.map((table) => {
      const kept = state[table] ?? {};
      if (!hasBlanks(table)) return [table, kept];
      if (!isCut(table)) return [table, records(table, kept as Records)];
      return [
        table,
        Object.fromEntries(Object.entries(kept).map(([cut, all]) => [cut, records(table, all as Records)])),
      ];
    }),
  );
}

type Blanked = Parameters<typeof blankRecord>[0];

function slimRecord(table: Blanked, id: string, record: Fields): Fields {
  const blank = blankRecord(table, id) as unknown as Fields;
  const slim: Record<string, unknown> = {};
  for (const field in record) if (!sameValue(record[field], blank[field])) slim[field] = record[field];
  return slim;
}

/** The blank record is made for the occasion, so it takes the fields in itself: a second copy of every record would be dear. */
const fullRecord = (table: Blanked, id: string, slim: Fields): Fields => Object.assign(blankRecord(table, id), slim);
