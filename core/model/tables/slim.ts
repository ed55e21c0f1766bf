import { sameValue } from "#core/kernel";
import { blankRecord, hasBlanks } from "./blank";
import { TABLE_NAMES, type CourseState, type TableName } from "./state";
import { isCut } from "./tables";

type Fields = Readonly<Record<string, unknown>>;
/** Records of a table by id: all of them, or those of one assignment. */
export type Records = Readonly<Record<string, Fields>>;

/** A course as it was kept at first, as one text: where a record that is not stored counts as blank, only what differs from the blank one. */
export type SlimState = Readonly<Record<string, Readonly<Record<string, unknown>>>>;

/** What has to be kept of records: where a blank one is not stored, only what differs from it. */
export const slimRecords = (table: TableName, records: Records): Records => eachRecord(table, records, slimRecord);

/** The records that were made slim. */
export const fullRecords = (table: TableName, records: Records): Records => eachRecord(table, records, fullRecord);

/** The course that was made slim. */
export const fullState = (slim: SlimState): CourseState =>
  Object.fromEntries(
    TABLE_NAMES.map((table) => {
      const kept = slim[table] ?? {};
      if (!isCut(table)) return [table, fullRecords(table, kept as Records)];
      const cuts = Object.entries(kept).map(([cut, records]) => [cut, fullRecords(table, records as Records)]);
      return [table, Object.fromEntries(cuts)];
    }),
  ) as CourseState;

function eachRecord(
  table: TableName,
  records: Records,
  change: (table: Blanked, id: string, record: Fields) => Fields,
): Records {
  if (!hasBlanks(table)) return records;
  const changed: Record<string, Fields> = {};
  for (const id in records) changed[id] = change(table, id, records[id] as Fields);
  return changed;
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
