import type { CourseState, RecordOf, TableName } from "./state";

/**
 * Tables with a record for every student and assignment. They are kept cut by assignment, so that one change copies the
 * records of one assignment and not those of the whole course, and so that what rests on one assignment is known to be
 * unchanged by one comparison.
 */
const CUT_TABLES = ["handIns", "results", "judgements", "copies", "answers"] as const;
/** A table that is kept cut by assignment. */
export type CutTable = (typeof CUT_TABLES)[number];

/** Whether a table is kept cut by assignment. */
export const isCut = (table: TableName): table is CutTable => (CUT_TABLES as readonly string[]).includes(table);

/** The assignment's part of a record's id: `assignment:essay` of `assignment:essay/student:ada`. */
const cutOf = (id: string): string => id.slice(0, id.indexOf("/"));

/** The record of an id; undefined where none is stored. */
export function recordAt<T extends TableName>(state: CourseState, table: T, id: string): RecordOf<T> | undefined {
  const records = isCut(table) ? state[table][cutOf(id)] : state[table];
  return (records as Readonly<Record<string, RecordOf<T>>> | undefined)?.[id];
}

/** A cut of a table: the records of one assignment, by id. */
export const cutAt = <T extends CutTable>(
  state: CourseState,
  table: T,
  assignmentId: string,
): Readonly<Record<string, RecordOf<T>>> | undefined =>
  state[table][assignmentId] as Readonly<Record<string, RecordOf<T>>> | undefined;

/** All records of a table. */
export function recordsOf<T extends TableName>(state: CourseState, table: T): RecordOf<T>[] {
  if (!isCut(table)) return Object.values(state[table] as Readonly<Record<string, RecordOf<T>>>);
  const cuts = state[table] as unknown as Readonly<Record<string, Readonly<Record<string, RecordOf<T>>>>>;
  return Object.values(cuts).flatMap((cut) => Object.values(cut));
}

/** Every record of a table with its id, one after the other. */
export function* eachOf<T extends TableName>(state: CourseState, table: T): Generator<readonly [string, RecordOf<T>]> {
  const records = state[table] as unknown as Readonly<
    Record<string, RecordOf<T> & Readonly<Record<string, RecordOf<T>>>>
  >;
  const cuts: readonly Readonly<Record<string, RecordOf<T>>>[] = isCut(table) ? Object.values(records) : [records];
  for (const cut of cuts) for (const id in cut) yield [id, cut[id] as RecordOf<T>];
}

/** A table as it goes into files: every record by its id. */
export function wholeTable<T extends TableName>(state: CourseState, table: T): Readonly<Record<string, RecordOf<T>>> {
  if (!isCut(table)) return state[table] as Readonly<Record<string, RecordOf<T>>>;
  const cuts = Object.values(state[table] as Readonly<Record<string, Readonly<Record<string, RecordOf<T>>>>>);
  return Object.fromEntries(cuts.flatMap((cut) => Object.entries(cut)));
}

/** A state with some records put in, for previews: nothing is kept of it. */
export function withRecords<T extends TableName>(
  state: CourseState,
  table: T,
  records: readonly RecordOf<T>[],
): CourseState {
  const editor = new StateEditor(state);
  for (const record of records) editor.set(table, record.id, record);
  return editor.finish();
}

type Records = Record<string, unknown>;

/** Collects edits of a state and gives the next one; what is not edited is shared with the old state. */
export class StateEditor {
  readonly #touched = new Map<TableName, Records>();
  readonly #touchedCuts = new Map<string, Records>();

  constructor(private readonly state: CourseState) {}

  /** The record as edited so far. */
  get(table: TableName, id: string): Readonly<Record<string, unknown>> | undefined {
    const records = isCut(table)
      ? (this.#touched.get(table) ?? this.state[table])[cutOf(id)]
      : (this.#touched.get(table) ?? this.state[table]);
    return (records as Records | undefined)?.[id] as Readonly<Record<string, unknown>> | undefined;
  }

  /** Stores a record, or takes it out where it is null. */
  set(table: TableName, id: string, record: Readonly<Record<string, unknown>> | null): void {
    const records = isCut(table) ? this.#cut(table, cutOf(id)) : this.#table(table);
    if (record === null) Reflect.deleteProperty(records, id);
    else records[id] = record;
    if (isCut(table) && record === null && Object.keys(records).length === 0) {
      Reflect.deleteProperty(this.#table(table), cutOf(id));
      this.#touchedCuts.delete(`${table} ${cutOf(id)}`);
    }
  }

  /** The next state. */
  finish(): CourseState {
    return { ...this.state, ...Object.fromEntries(this.#touched) };
  }

  #table(table: TableName): Records {
    let records = this.#touched.get(table);
    if (!records) this.#touched.set(table, (records = { ...this.state[table] }));
    return records;
  }

  #cut(table: CutTable, cut: string): Records {
    const key = `${table} ${cut}`;
    let records = this.#touchedCuts.get(key);
    if (!records) {
      const cuts = this.#table(table);
      records = { ...(cuts[cut] as Records | undefined) };
      cuts[cut] = records;
      this.#touchedCuts.set(key, records);
    }
    return records;
  }
}
