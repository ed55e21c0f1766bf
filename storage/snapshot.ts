import type { Change, History } from "#core/changes";
import { fullState, slimState, type CourseState, type SlimState } from "#core/model";
import { pack, unpack } from "./packed";

/** The course after entry `seq`, and what could be undone then. */
export interface Snapshot {
  readonly seq: number;
  readonly state: () => CourseState;
  /** Null in snapshots of an earlier version of the application: what can be undone follows from the journal then. */
  readonly history: History | null;
}

/** How a snapshot lies in its store. */
interface StoredSnapshot {
  readonly seq: number;
  readonly bytes: Uint8Array;
  readonly history: History;
}

/** Patches of all changes together that a snapshot keeps for undo; what lies deeper is undone from the journal. */
const MOST_PATCHES = 20_000;

/** The newest changes of a list that together are not too large to be read at every start. */
function newest(changes: readonly Change[]): readonly Change[] {
  let patches = 0;
  const first = changes.findLastIndex(({ patches: own }) => (patches += own.length) > MOST_PATCHES);
  return changes.slice(first + 1);
}

/** What is stored of a course after entry `seq`. */
export const storedSnapshot = (seq: number, state: CourseState, history: History): StoredSnapshot => ({
  seq,
  bytes: pack(slimState(state)),
  history: { undoable: newest(history.undoable), redoable: newest(history.redoable) },
});

/** The snapshot in a store; null where there is none. */
export function readSnapshot(stored: unknown): Snapshot | null {
  if (typeof stored !== "object" || stored === null) return null;
  if (!("bytes" in stored)) {
    const { seq, state } = stored as { readonly seq: number; readonly state: CourseState };
    return { seq, state: () => state, history: null };
  }
  const { seq, bytes, history } = stored as StoredSnapshot;
  return { seq, state: () => fullState(unpack(bytes) as SlimState), history };
}
