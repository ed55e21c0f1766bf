import { applyPatches, bridgeBetween, EMPTY_HISTORY, ENTRY_SCHEMA, type Entry } from "#core/changes";
import type { ChangeId } from "#core/kernel";
import { courseOf, EMPTY_STATE, type CourseState } from "#core/model";
import { entryKey, followAll, followFrom, headKey, readHead, type Ledger } from "./journal";
import { JournalError } from "./journal-error";
import { NO_OLD_ENTRIES, oldEntries, wholeBlock, type OldEntries, type WholeBlock } from "./old-entries";
import { chainedEntry, openEntry, type SealedEntry } from "./sealed";
import type { Shelves } from "../shelves/shelf";
import { readSnapshot, type Snapshot } from "./snapshot";

/** What lies in the store of one course, each piece whole or null. */
interface Pieces {
  readonly blocks: readonly (WholeBlock | null)[];
  readonly singles: ReadonlyMap<number, Entry | null>;
  /** The sums of single entries, and those they say stand before them. */
  readonly links: ReadonlyMap<number, Pick<Required<SealedEntry>, "before" | "sum">>;
  readonly snapshot: Snapshot | null;
  /** The farthest entry that anything tells of. */
  readonly last: number;
}

/** A course as it was read, and whether its snapshot has to be made again. */
export interface ReadBack {
  readonly ledger: Ledger;
  readonly snapshotLacks: boolean;
}

/**
 * Reads a course's journal back; entries in blocks stay packed where a snapshot tells what came of them. What cannot be
 * read is not passed over: the ledger then goes as far as it can and says what is lost.
 * @throws JournalError when a newer application wrote it, or when nothing of the course can be read
 */
export async function readJournal(shelves: Shelves, slot: string): Promise<ReadBack> {
  const pieces = await readPieces(shelves, slot);
  const old = oldEntries(pieces.blocks.filter((block) => block !== null));
  const recent: Entry[] = [];
  for (let seq = old.count + 1; ; seq += 1) {
    const entry = pieces.singles.get(seq);
    if (!entry) break;
    recent.push(entry);
  }
  const whole = old.count + recent.length >= pieces.last && pieces.blocks.every((block) => block !== null);
  const followed = whole ? followWhole(old, recent, pieces.snapshot) : null;
  const ledger = inChain(followed ?? salvage(old, recent, pieces), pieces);
  return { ledger, snapshotLacks: followed !== null && pieces.snapshot === null };
}

/** The ledger with the sum of its last entry, and the first place where the chain of its single entries does not hold. */
function inChain(ledger: Ledger, { links }: Pieces): Ledger {
  let { seal, broken } = ledger.old;
  for (let seq = ledger.old.count + 1; ; seq += 1) {
    const link = links.get(seq);
    if (!link) break;
    if (link.before !== seal) broken ??= seq;
    seal = link.sum;
  }
  return { ...ledger, seal, broken };
}

async function readPieces(shelves: Shelves, slot: string): Promise<Pieces> {
  const keys = (await shelves.journal.keys()).filter((key) => key.startsWith(`${slot}/`)).sort();
  const numbers = (kind: string) =>
    keys.filter((key) => key.startsWith(`${slot}/${kind}/`)).map((key) => Number(key.slice(-9)));
  const [blockStarts, singleSeqs] = [numbers("block"), numbers("entry")];
  const [blocks, singles, stored, head] = await Promise.all([
    Promise.all(blockStarts.map((first) => readKey(shelves, `${slot}/block/${String(first).padStart(9, "0")}`))),
    Promise.all(singleSeqs.map((seq) => readKey(shelves, entryKey(slot, seq)))),
    readValue(() => shelves.snapshots.get(slot)),
    readKey(shelves, headKey(slot)),
  ]);
  const opened = await Promise.all(
    blocks.map((block, index) => wholeBlock(block, blockStarts[index] ?? 1).catch(rethrowNewer)),
  );
  const snapshot = await readSnapshot(stored).catch(() => null);
  const ends = opened.map((block, index) => (block ? block.first + block.count - 1 : (blockStarts[index] ?? 0)));
  return {
    blocks: opened,
    singles: new Map(singleSeqs.map((seq, index) => [seq, openedOrNull(singles[index], seq)])),
    links: new Map(
      singleSeqs.flatMap((seq, index) => {
        const link = chainedEntry(singles[index]);
        return link ? [[seq, link] as const] : [];
      }),
    ),
    snapshot,
    last: Math.max(0, ...ends, ...singleSeqs, readHead(head)),
  };
}

const readKey = (shelves: Shelves, key: string): Promise<unknown> => readValue(() => shelves.journal.get(key));

/** A value of the store; null where the browser cannot give it. */
const readValue = (read: () => Promise<unknown>): Promise<unknown> => read().catch(() => null);

function rethrowNewer(error: unknown): null {
  if (error instanceof JournalError && error.reason === "newer") throw error;
  return null;
}

function openedOrNull(stored: unknown, seq: number): Entry | null {
  try {
    return openEntry(stored, seq);
  } catch (error) {
    return rethrowNewer(error);
  }
}

/** The ledger of pieces without a gap; null where an entry does not fit the state before it. */
function followWhole(old: OldEntries, recent: readonly Entry[], snapshot: Snapshot | null): Ledger | null {
  try {
    const last = old.count + recent.length;
    if (snapshot && snapshot.seq >= old.count && snapshot.seq <= last) {
      return withCourse(followFrom({ old, history: snapshot.history, told: snapshot.seq, snapshot }, recent));
    }
    return withCourse(followAll([...old.all(), ...recent]));
  } catch (error) {
    return rethrowNewer(error);
  }
}

function withCourse(ledger: Ledger): Ledger | null {
  return Object.keys(ledger.state.courses).length === 1 ? ledger : null;
}

/**
 * As much of a damaged course as can be had: the entries before the damage, and, where a snapshot tells what later ones
 * led to, that state and what follows it, joined by an entry that says so.
 */
function salvage(old: OldEntries, recent: readonly Entry[], { singles, snapshot, last }: Pieces): Ledger {
  const before = asFarAsItGoes([...safely(old), ...recent]);
  const reached = before.seq;
  const since = before.recent.at(-1)?.change.at ?? null;
  const farther = snapshot && snapshot.seq > reached ? stateOfSnapshot(snapshot) : null;
  if (!snapshot || !farther) {
    if (!withCourse(before)) throw new JournalError("damaged", reached + 1);
    return { ...before, damage: { seq: reached + 1, lost: Math.max(1, last - reached), kept: false, since } };
  }
  const bridge = bridgeEntry(before, farther, snapshot.seq);
  let ledger: Ledger = { ...before, seq: bridge.seq, state: farther, recent: [...before.recent, bridge] };
  let seq = snapshot.seq;
  for (let entry = singles.get(seq + 1); entry; entry = singles.get(seq + 1)) {
    const next = applyPatches(ledger.state, entry.change.patches);
    if (!next.ok) break;
    seq += 1;
    const moved = { ...entry, seq: ledger.seq + 1 };
    ledger = { ...ledger, seq: moved.seq, state: next.value, recent: [...ledger.recent, moved] };
  }
  const lostAfter = last - seq;
  const damage =
    lostAfter > 0
      ? { seq: seq + 1, lost: lostAfter, kept: false, since: ledger.recent.at(-1)?.change.at ?? null }
      : { seq: reached + 1, lost: snapshot.seq - reached, kept: true, since };
  return { ...ledger, damage };
}

function stateOfSnapshot(snapshot: Snapshot): CourseState | null {
  const state = snapshot.state();
  return Object.keys(state.courses).length === 1 ? state : null;
}

/** Entries of blocks; none where a block that was taken as whole does not unpack. */
function safely(old: OldEntries): readonly Entry[] {
  try {
    return old.all();
  } catch {
    return [];
  }
}

/** Follows entries up to the first that does not fit. */
function asFarAsItGoes(entries: readonly Entry[]): Ledger {
  let state = EMPTY_STATE;
  const fitting: Entry[] = [];
  for (const entry of entries) {
    const next = entry.seq === fitting.length + 1 ? applyPatches(state, entry.change.patches) : null;
    if (!next?.ok) break;
    state = next.value;
    fitting.push(entry);
  }
  return {
    seq: fitting.length,
    state,
    history: EMPTY_HISTORY,
    old: NO_OLD_ENTRIES,
    recent: fitting,
    seal: NO_OLD_ENTRIES.seal,
    broken: null,
    damage: null,
  };
}

/** An entry in place of those that cannot be read: it sets down what they led to. */
function bridgeEntry(before: Ledger, state: CourseState, upTo: number): Entry {
  const lost = upTo - before.seq;
  const at = before.recent.at(-1)?.change.at ?? courseOf(state).createdAt;
  const words = lost === 1 ? "1 change" : `${String(lost)} changes`;
  return {
    seq: before.seq + 1,
    schema: ENTRY_SCHEMA,
    kind: "change",
    of: null,
    change: {
      id: `change:bridge-${String(before.seq + 1)}` as ChangeId,
      type: "bridge",
      at: at,
      by: courseOf(state).markerId,
      line: `What ${words} led to; the record of them could not be read`,
      patches: bridgeBetween(before.state, state),
    },
  };
}
