import { z } from "zod/mini";
import { sameValue } from "#core/kernel";
import { completeRecord, eachOf, TABLE_NAMES, tableSchemas, wholeTable, type CourseState } from "#core/model";
import { RECORDS } from "./archive";
import { recordsText } from "./records-text";
import { bytesOfTexts, SameBytes } from "./text-pieces";
import type { Parts } from "./zip-in";

/**
 * Whether `records.json` holds the records of a course, each as its schema wants it. A file as it is written today is held
 * against the course letter by letter; one of an older version, or of another layout, is read whole.
 */
export async function holdsRecords(parts: Parts, state: CourseState): Promise<boolean> {
  const same = new SameBytes(bytesOfTexts(recordsText(state)));
  const isThere = await parts.read(RECORDS, (bytes) => {
    same.take(bytes);
  });
  if (!isThere) return false;
  return same.end() ? areSound(state) : holdsWhole(parts, state);
}

/** Whether each record is one of its table, and holds nothing else. */
const areSound = (state: CourseState): boolean =>
  TABLE_NAMES.every((table) => {
    for (const [, record] of eachOf(state, table)) {
      const parsed = tableSchemas[table].safeParse(record);
      if (!parsed.success || !sameValue(parsed.data, record)) return false;
    }
    return true;
  });

async function holdsWhole(parts: Parts, state: CourseState): Promise<boolean> {
  const decoder = new TextDecoder();
  const text: string[] = [];
  await parts.read(RECORDS, (bytes) => {
    text.push(decoder.decode(bytes, { stream: true }));
  });
  try {
    const parsed = wholeRecords.safeParse(JSON.parse(text.join("") + decoder.decode()));
    const whole = Object.fromEntries(TABLE_NAMES.map((table) => [table, wholeTable(state, table)]));
    return parsed.success && sameValue(whole, parsed.data);
  } catch {
    return false;
  }
}

const recordsSchema = z.object(
  Object.fromEntries(TABLE_NAMES.map((name) => [name, z.record(z.string(), tableSchemas[name])])),
);

const NO_RECORDS: Readonly<Record<string, Record<string, Record<string, unknown>>>> = Object.fromEntries(
  TABLE_NAMES.map((name) => [name, {}]),
);

// A file of an older version lacks tables and fields that were thought of later; both are completed before the check.
const wholeRecords = z.pipe(
  z.pipe(
    z.record(z.string(), z.record(z.string(), z.record(z.string(), z.unknown()))),
    z.transform((tables) =>
      Object.fromEntries(
        Object.entries({ ...NO_RECORDS, ...tables }).map(([table, records]) => [
          table,
          Object.fromEntries(Object.entries(records).map(([id, record]) => [id, completeRecord(table, record)])),
        ]),
      ),
    ),
  ),
  recordsSchema,
);
