import { keptBy } from "#core/kernel";
import { fullRecords, slimRecords, type Records } from "./slim";
import { EMPTY_STATE, TABLE_NAMES, type CourseState, type TableName } from "./state";
import { isCut } from "./tables";

/** A table, or what it holds of one assignment, among the bytes of a course. */
interface StatePart {
  readonly table: TableName;
  /** The assignment of a table that is cut; null for a table in one part. */
  readonly cut: string | null;
  /** How many bytes it takes, as JSON. */
  readonly length: number;
}

/** A course as bytes, its parts one behind the other: no part of it has to be made or read as one text with the others. */
export interface PackedState {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly parts: readonly StatePart[];
}

interface PackedPart extends Pick<StatePart, "table" | "cut"> {
  readonly bytes: Uint8Array<ArrayBuffer>;
}

const packedRecords = (table: TableName, records: Records): Uint8Array<ArrayBuffer> =>
  new TextEncoder().encode(JSON.stringify(slimRecords(table, records)));

/** The records of one assignment as bytes: kept while they are the same, so that a course is packed again by what changed. */
const packedCut = keptBy({
  owner: (_: TableName, records: Records) => records,
  make: (_, table, records) => packedRecords(table, records),
});

/** What has to be kept of a course, as bytes. */
export function packedState(state: CourseState): PackedState {
  const packed = TABLE_NAMES.flatMap((table): readonly PackedPart[] => {
    const records = state[table] as Readonly<Record<string, Records>>;
    if (isCut(table)) {
      return Object.entries(records).map(([cut, own]) => ({ table, cut, bytes: packedCut(table, own) }));
    }
    const isEmpty = Object.keys(records).length === 0;
    return isEmpty ? [] : [{ table, cut: null, bytes: packedRecords(table, records) }];
  });
  const bytes = new Uint8Array(packed.reduce((sum, part) => sum + part.bytes.length, 0));
  let at = 0;
  for (const part of packed) {
    bytes.set(part.bytes, at);
    at += part.bytes.length;
  }
  return { bytes, parts: packed.map(({ table, cut, bytes: own }) => ({ table, cut, length: own.length })) };
}

/** The course that was packed. @throws SyntaxError where its bytes are not whole */
export function unpackedState({ bytes, parts }: PackedState): CourseState {
  const state: Record<string, Record<string, unknown>> = Object.fromEntries(
    Object.entries(EMPTY_STATE).map(([table, none]) => [table, { ...none }]),
  );
  const decoder = new TextDecoder();
  let at = 0;
  for (const { table, cut, length } of parts) {
    const text = decoder.decode(bytes.subarray(at, (at += length)));
    const records = fullRecords(table, JSON.parse(text) as Records);
    const own = state[table];
    if (own && cut !== null) own[cut] = records;
    else if (own) state[table] = records;
  }
  return state as CourseState;
}
