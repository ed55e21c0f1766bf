import { advance, applyPatches, EMPTY_HISTORY, ENTRY_SCHEMA, type Entry, type History } from "#core/changes";
import { EMPTY_STATE, type CourseState } from "#core/model";
import type { Shelves } from "./shelf";

/** A course as far as its journal tells: the state after entry `seq`. */
export interface Ledger {
  readonly seq: number;
  readonly state: CourseState;
  readonly history: History;
  readonly entries: readonly Entry[];
}

/** Entries written singly before they are gathered into a block beside a snapshot. */
const BLOCK = 200;

const place = (seq: number) => String(seq).padStart(9, "0");
const entryKey = (slot: string, seq: number) => `${slot}/entry/${place(seq)}`;
/** Holds the place up to which entries stand in blocks. */
const gatheredKey = (slot: string) => `${slot}/gathered`;
const blockKey = (slot: string, seq: number) => `${slot}/block/${place(seq)}`;

interface Snapshot {
  readonly seq: number;
  readonly state: CourseState;
}

/** The journal cannot be followed: an entry is missing, newer than this application, or does not fit. */
export class JournalError extends Error {
  constructor(
    readonly reason: "newer" | "damaged",
    readonly seq: number,
  ) {
    super(`journal entry ${String(seq)} is ${reason}`);
    this.name = "JournalError";
  }
}

/** Follows one entry. @throws JournalError when it does not fit the ledger. */
export function follow(ledger: Ledger, entry: Entry): Ledger {
  if ((entry.schema as number) > ENTRY_SCHEMA) throw new JournalError("newer", entry.seq);
  const next = applyPatches(ledger.state, entry.change.patches);
  if (entry.seq !== ledger.seq + 1 || !next.ok) throw new JournalError("damaged", entry.seq);
  return {
    seq: entry.seq,
    state: next.value,
    history: advance(ledger.history, entry),
    entries: [...ledger.entries, entry],
  };
}

/** Follows many entries; from `snapshot` on, states are computed, before it they are taken as done. */
export function followAll(entries: readonly Entry[], snapshot: Snapshot | null): Ledger {
  let state = EMPTY_STATE;
  let history = EMPTY_HISTORY;
  entries.forEach((entry, index) => {
    if ((entry.schema as number) > ENTRY_SCHEMA) throw new JournalError("newer", entry.seq);
    if (entry.seq !== index + 1) throw new JournalError("damaged", entry.seq);
    history = advance(history, entry);
    if (snapshot && entry.seq <= snapshot.seq) {
      if (entry.seq === snapshot.seq) state = snapshot.state;
      return;
    }
    const next = applyPatches(state, entry.change.patches);
    if (!next.ok) throw new JournalError("damaged", entry.seq);
    state = next.value;
  });
  return { seq: entries.length, state, history, entries };
}

/** Reads a course's journal back. @throws JournalError */
export async function readJournal(shelves: Shelves, slot: string): Promise<Ledger> {
  const keys = (await shelves.journal.keys()).filter((key) => key.startsWith(`${slot}/`)).sort();
  const blocks = keys.filter((key) => key.startsWith(`${slot}/block/`));
  const singles = keys.filter((key) => key.startsWith(`${slot}/entry/`));
  const read = (list: readonly string[]) => Promise.all(list.map((key) => shelves.journal.get(key)));
  const bySeq = new Map<number, Entry>();
  for (const entry of [...(await read(blocks)).flat(), ...(await read(singles))] as Entry[])
    bySeq.set(entry.seq, entry);
  const entries = [...bySeq.values()].sort((a, b) => a.seq - b.seq);
  const snapshot = (await shelves.snapshots.get(slot)) as Snapshot | null;
  return followAll(entries, snapshot && snapshot.seq <= entries.length ? snapshot : null);
}

/**
 * Entries that another tab has written after `seq`; null when some of them have been gathered into a block since, so
 * that the whole journal must be read again.
 */
export async function readAfter(shelves: Shelves, slot: string, seq: number): Promise<Entry[] | null> {
  const found: Entry[] = [];
  for (;;) {
    const entry = (await shelves.journal.get(entryKey(slot, seq + found.length + 1))) as Entry | null;
    if (!entry) break;
    found.push(entry);
  }
  const gathered = await shelves.journal.get(gatheredKey(slot));
  return typeof gathered === "number" && gathered > seq + found.length ? null : found;
}

/** The commit: one small write. */
export const writeEntry = (shelves: Shelves, slot: string, entry: Entry): Promise<void> =>
  shelves.journal.set(entryKey(slot, entry.seq), entry);

/**
 * Gathers old single entries into a block and keeps the state beside them, so that opening stays fast. Written in an
 * order that leaves a whole journal at every moment: block, snapshot, and only then the singles go. The newest stay
 * single, because another tab looks for them by key.
 */
export async function compact(shelves: Shelves, slot: string, ledger: Ledger): Promise<void> {
  const singles = (await shelves.journal.keys()).filter((key) => key.startsWith(`${slot}/entry/`)).sort();
  if (singles.length < 2 * BLOCK) return;
  const old = singles.slice(0, -BLOCK);
  const seqs = old.map((key) => Number(key.slice(-9)));
  const first = seqs[0] ?? 1;
  await shelves.journal.set(
    blockKey(slot, first),
    ledger.entries.filter((entry) => seqs.includes(entry.seq)),
  );
  await shelves.snapshots.set(slot, { seq: ledger.seq, state: ledger.state } satisfies Snapshot);
  await shelves.journal.set(gatheredKey(slot), seqs.at(-1));
  for (const key of old) await shelves.journal.remove(key);
}

/** Keeps a whole journal at once, as when a course file is read in. */
export async function writeWholeJournal(shelves: Shelves, slot: string, ledger: Ledger): Promise<void> {
  for (let from = 0; from < ledger.entries.length; from += BLOCK) {
    await shelves.journal.set(blockKey(slot, from + 1), ledger.entries.slice(from, from + BLOCK));
  }
  await shelves.snapshots.set(slot, { seq: ledger.seq, state: ledger.state } satisfies Snapshot);
}
