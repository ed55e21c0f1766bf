import { advance, applyPatches, applyTo, EMPTY_HISTORY, ENTRY_SCHEMA, type Entry, type History } from "#core/changes";
import { textSum } from "#core/kernel";
import { EMPTY_STATE, StateEditor, type CourseState } from "#core/model";
import { JournalError } from "./journal-error";
import { NO_OLD_ENTRIES, type OldEntries } from "./old-entries";
import { chainedEntry, openEntry, sealEntryAside } from "./sealed";
import type { Shelves } from "../shelves/shelf";
import type { Snapshot } from "./snapshot";

/** What cannot be read of a course, and since when. */
export interface Damage {
  /** The first change that is lost. */
  readonly seq: number;
  /** How many changes are lost from there on, as far as is known. */
  readonly lost: number;
  /** Whether what the lost changes led to is there all the same, from a copy of the state: then only their record is lost. */
  readonly kept: boolean;
  /** When the last change before the damage was made; null where there is none. */
  readonly since: string | null;
}

/** A course as far as its journal tells: the state after entry `seq`. */
export interface Ledger {
  readonly seq: number;
  readonly state: CourseState;
  readonly history: History;
  /** Entries in blocks, and all that came after them. */
  readonly old: OldEntries;
  readonly recent: readonly Entry[];
  /** The sum of the last entry in the chain. */
  readonly seal: string;
  /** The first entry that does not follow the one before it in the chain: something was changed, taken out or moved; null where all do. */
  readonly broken: number | null;
  /** Null where everything is whole. A damaged ledger is only looked at, never written to. */
  readonly damage: Damage | null;
}

/** All entries of a ledger. */
export const entriesOf = ({ old, recent }: Ledger): readonly Entry[] =>
  old.count === 0 ? recent : [...old.all(), ...recent];

/** Entries of a ledger after one place. */
export const entriesAfter = (ledger: Ledger, seq: number): readonly Entry[] =>
  (seq < ledger.old.count ? entriesOf(ledger) : ledger.recent).filter((entry) => entry.seq > seq);

const place = (seq: number) => String(seq).padStart(9, "0");
/** Where an entry lies. */
export const entryKey = (slot: string, seq: number): string => `${slot}/entry/${place(seq)}`;
/** Holds the place up to which entries stand in blocks. */
export const gatheredKey = (slot: string): string => `${slot}/gathered`;
/** Holds the place of the last entry that was kept, so that its loss is seen. */
export const headKey = (slot: string): string => `${slot}/head`;
/** Where a block lies. */
export const blockKey = (slot: string, seq: number): string => `${slot}/block/${place(seq)}`;

/** Says how many entries got their sums later than they were written. */
export const unprovenKey = (slot: string): string => `${slot}/unproven`;

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

/** Follows many entries; from the snapshot on, states are worked out, before it they are taken as done. @throws JournalError */
export function followFrom({ old, told, snapshot, ...start }: Start, entries: readonly Entry[]): Ledger {
  let { history } = start;
  let editor = new StateEditor(snapshot?.seq === old.count ? snapshot.state() : EMPTY_STATE);
  entries.forEach((entry, index) => {
    if ((entry.schema as number) > ENTRY_SCHEMA) throw new JournalError("newer", entry.seq);
    if (entry.seq !== old.count + index + 1) throw new JournalError("damaged", entry.seq);
    if (entry.seq > told) history = advance(history, entry);
    if (snapshot && entry.seq <= snapshot.seq) {
      if (entry.seq === snapshot.seq) editor = new StateEditor(snapshot.state());
      return;
    }
    if (applyTo(editor, entry.change.patches)) throw new JournalError("damaged", entry.seq);
  });
  const [seq, state, { seal, broken }] = [old.count + entries.length, editor.finish(), old];
  return { seq, state, history, old, recent: entries, seal, broken, damage: null };
}

/** Follows a whole journal from its first entry on. @throws JournalError */
export const followAll = (entries: readonly Entry[]): Ledger =>
  followFrom({ old: NO_OLD_ENTRIES, history: EMPTY_HISTORY, told: 0, snapshot: null }, entries);

/** What another tab has written since. */
export type Since =
  | { readonly kind: "entries"; readonly entries: readonly Entry[]; readonly seal: string }
  /** Some of it has been gathered into a block, so that the whole journal must be read again. */
  | { readonly kind: "gathered" }
  /** The entry that was last known is not there any more: what the browser kept was cleared. */
  | { readonly kind: "gone" };

/** Looks for entries after the last of a ledger, and whether that one is still there. @throws JournalError */
export async function readAfter(shelves: Shelves, slot: string, { seq, seal: known }: Ledger): Promise<Since> {
  const at = (place: number) => shelves.journal.get(entryKey(slot, place));
  const [own, next, gathered] = await Promise.all([at(seq), at(seq + 1), shelves.journal.get(gatheredKey(slot))]);
  const upTo = typeof gathered === "number" ? gathered : 0;
  if (own === null && upTo < seq && !(await standsInBlock(shelves, slot, seq))) return { kind: "gone" };
  const entries: Entry[] = [];
  let seal = known;
  for (let stored = next; stored !== null; stored = await at(seq + entries.length + 1)) {
    const entry = openEntry(stored, seq + entries.length + 1);
    if (!entry) throw new JournalError("damaged", seq + entries.length + 1);
    entries.push(entry);
    seal = chainedEntry(stored)?.sum ?? seal;
  }
  return upTo > seq + entries.length ? { kind: "gathered" } : { kind: "entries", entries, seal };
}

/** Whether a block holds an entry; asked only where the journal does not say how far it is gathered. */
async function standsInBlock(shelves: Shelves, slot: string, seq: number): Promise<boolean> {
  const starts = (await shelves.journal.keys())
    .filter((key) => key.startsWith(`${slot}/block/`) && Number(key.slice(-9)) <= seq)
    .sort();
  const key = starts.at(-1);
  const block =
    key === undefined ? null : ((await shelves.journal.get(key)) as { count?: number; length?: number } | null);
  return block !== null && Number(key?.slice(-9)) + (block.count ?? block.length ?? 0) > seq;
}

/** The commit: one small write, in the chain behind the entry with the sum `before`. Answers its own sum. */
export async function writeEntry(shelves: Shelves, slot: string, entry: Entry, before: string): Promise<string> {
  const sealed = await sealEntryAside(entry, before);
  await shelves.journal.set(entryKey(slot, entry.seq), sealed);
  return sealed.sum;
}

const headSum = (seq: number): string => textSum(`head ${String(seq)}`);

/** Puts down which entry is the last; written behind the entry, it is never ahead of the journal. */
export const writeHead = (shelves: Shelves, slot: string, seq: number): Promise<void> =>
  shelves.journal.set(headKey(slot), { seq, sum: headSum(seq) });

/** The last entry as it was put down; 0 where that is not known. */
export function readHead(stored: unknown): number {
  const { seq, sum } = (stored ?? {}) as { readonly seq?: unknown; readonly sum?: unknown };
  return typeof seq === "number" && sum === headSum(seq) ? seq : 0;
}
