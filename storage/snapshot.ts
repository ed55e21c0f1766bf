import type { Change, History } from "#core/changes";
import { fullState, slimState, type CourseState, type SlimState } from "#core/model";
import { pack, unpack } from "./packed";
import { sumBeside, sumBesideNow } from "./sealed";

/** The course after entry `seq`, and what could be undone then. */
export interface Snapshot {
  readonly seq: number;
  readonly state: () => CourseState;
  readonly history: History;
}

/** How a snapshot lies in its store. */
interface StoredSnapshot {
  readonly seq: number;
  readonly bytes: Uint8Array;
  /** The history, as text. */
  readonly past: string;
  readonly sum: string;
}

/** Patches of all changes together that a snapshot keeps for undo; what lies deeper is undone from the journal. */
const MOST_PATCHES = 20_000;

/** The newest changes of a list that together are not too large to be read at every start. */
function newest(changes: readonly Change[]): readonly Change[] {
  let patches = 0;
  const first = changes.findLastIndex(({ patches: own }) => (patches += own.length) > MOST_PATCHES);
  return changes.slice(first + 1);
}

const beside = ({ seq, past }: Pick<StoredSnapshot, "seq" | "past">): string => `${String(seq)} ${past}`;

/** What is stored of a course after entry `seq`. */
export function storedSnapshot(seq: number, state: CourseState, history: History): StoredSnapshot {
  const past = JSON.stringify({ undoable: newest(history.undoable), redoable: newest(history.redoable) });
  const bytes = pack(slimState(state));
  return { seq, bytes, past, sum: sumBesideNow(beside({ seq, past }), bytes) };
}

/**
 * The snapshot in a store; null where there is none, or none that is whole. It only saves replaying the journal, so one
 * that cannot be trusted is no loss.
 */
export async function readSnapshot(stored: unknown): Promise<Snapshot | null> {
  if (typeof stored !== "object" || stored === null) return null;
  const { seq, bytes, past, sum } = stored as Partial<StoredSnapshot>;
  if (typeof seq !== "number" || typeof past !== "string" || !(bytes instanceof Uint8Array)) return null;
  if ((await sumBeside(beside({ seq, past }), bytes)) !== sum) return null;
  return { seq, state: () => fullState(unpack(bytes) as SlimState), history: JSON.parse(past) as History };
}
