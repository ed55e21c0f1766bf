import { advance, applyPatches, EMPTY_HISTORY, ENTRY_SCHEMA, type Entry, type History } from "#core/changes";
import { EMPTY_STATE, type CourseState } from "#core/model";
import { JournalError } from "./journal-error";
import { blockOf, NO_OLD_ENTRIES, oldEntries, type Block, type OldEntries } from "./old-entries";
import type { Shelves } from "./shelf";
import { readSnapshot, storedSnapshot, type Snapshot } from "./snapshot";

/** A course as far as its journal tells: the state after entry `seq`. */
export interface Ledger {
  readonly seq: number;
  readonly state: CourseState;
  readonly history: History;
  /** Entries in blocks, and all that came after them. */
  readonly old: OldEntries;
  readonly recent: readonly Entry[];
}

/** All entries of a ledger. */
export const entriesOf = ({ old, recent }: Ledger): readonly Entry[] =>
  old.count === 0 ? recent : [...old.all(), ...recent];

/** Entries of a ledger after one place. */
export const entriesAfter = (ledger: Ledger, seq: number): readonly Entry[] =>
  (seq < ledger.old.count ? entriesOf(ledger) : ledger.recent).filter((entry) => entry.seq > seq);

/** Entries written singly before they are gathered into a block beside a snapshot. */
const BLOCK = 200;

const place = (seq: number) => String(seq).padStart(9, "0");
const entryKey = (slot: string, seq: number) => `${slot}/entry/${place(seq)}`;
/** Holds the place up to which entries stand in blocks. */
const gatheredKey = (slot: string) => `${slot}/gathered`;
const blockKey = (slot: string, seq: number) => `${slot}/block/${place(seq)}`;

/** Follows one entry. @throws JournalError when it does not fit the ledger. */
export function follow(ledger: Ledger, entry: Entry): Ledger {
  if ((entry.schema as number) > ENTRY_SCHEMA) throw new JournalError("newer", entry.seq);
  const next = applyPatches(ledger.state, entry.change.patches);
  if (entry.seq !== ledger.seq + 1 || !next.ok) throw new JournalError("damaged", entry.seq);
  return {
    ...ledger,
    seq: entry.seq,
    state: next.value,
    history: advance(ledger.history, entry),
    recent: [...ledger.recent, entry],
  };
}

/** A ledger before entries are followed, and where their states begin to be worked out. */
interface Start {
  readonly old: OldEntries;
  readonly history: History;
  /** Up to which entry the history tells already. */
  readonly told: number;
  readonly snapshot: Pick<Snapshot, "seq" | "state"> | null;
}

/** Follows many entries; from the snapshot on, states are worked out, before it they are taken as done. */
function followFrom({ old, told, snapshot, ...start }: Start, entries: readonly Entry[]): Ledger {
  let { history } = start;
  let state = snapshot?.seq === old.count ? snapshot.state() : EMPTY_STATE;
  entries.forEach((entry, index) => {
    if ((entry.schema as number) > ENTRY_SCHEMA) throw new JournalError("newer", entry.seq);
    if (entry.seq !== old.count + index + 1) throw new JournalError("damaged", entry.seq);
    if (entry.seq > told) history = advance(history, entry);
    if (snapshot && entry.seq <= snapshot.seq) {
      if (entry.seq === snapshot.seq) state = snapshot.state();
      return;
    }
    const next = applyPatches(state, entry.change.patches);
    if (!next.ok) throw new JournalError("damaged", entry.seq);
    state = next.value;
  });
  return { seq: old.count + entries.length, state, history, old, recent: entries };
}

/** Follows a whole journal from its first entry on. @throws JournalError */
export const followAll = (entries: readonly Entry[], snapshot: Pick<Snapshot, "seq" | "state"> | null = null): Ledger =>
  followFrom({ old: NO_OLD_ENTRIES, history: EMPTY_HISTORY, told: 0, snapshot }, entries);

/** Reads a course's journal back; entries in blocks stay packed where a snapshot tells what came of them. @throws JournalError */
export async function readJournal(shelves: Shelves, slot: string): Promise<Ledger> {
  const keys = (await shelves.journal.keys()).filter((key) => key.startsWith(`${slot}/`)).sort();
  const read = (kind: string) =>
    Promise.all(keys.filter((key) => key.startsWith(`${slot}/${kind}/`)).map((key) => shelves.journal.get(key)));
  const old = oldEntries((await read("block")) as Block[]);
  // A gathering that was cut short leaves singles behind that stand in a block already.
  const recent = ((await read("entry")) as Entry[]).filter(({ seq }) => seq > old.count);
  const last = old.count + recent.length;
  const snapshot = readSnapshot(await shelves.snapshots.get(slot));
  if (snapshot?.history && snapshot.seq >= old.count && snapshot.seq <= last) {
    return followFrom({ old, history: snapshot.history, told: snapshot.seq, snapshot }, recent);
  }
  return followAll([...old.all(), ...recent], snapshot && snapshot.seq <= last ? snapshot : null);
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
  const seqs = new Set(old.map((key) => Number(key.slice(-9))));
  // What stands in a block already must not be gathered again; its single was only not removed.
  const gathered = ledger.recent.filter(({ seq }) => seqs.has(seq));
  const first = gathered[0];
  if (first) await shelves.journal.set(blockKey(slot, first.seq), blockOf(gathered));
  await shelves.snapshots.set(slot, storedSnapshot(ledger.seq, ledger.state, ledger.history));
  await shelves.journal.set(gatheredKey(slot), Math.max(...seqs));
  for (const key of old) await shelves.journal.remove(key);
}

/** Keeps a whole journal at once, as when a course file is read in. */
export async function writeWholeJournal(shelves: Shelves, slot: string, ledger: Ledger): Promise<void> {
  const entries = entriesOf(ledger);
  for (let from = 0; from < entries.length; from += BLOCK) {
    await shelves.journal.set(blockKey(slot, from + 1), blockOf(entries.slice(from, from + BLOCK)));
  }
  await shelves.snapshots.set(slot, storedSnapshot(ledger.seq, ledger.state, ledger.history));
}
