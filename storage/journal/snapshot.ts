import { newestOf, type History } from "#core/changes";
import { fullState, packedState, unpackedState, type CourseState, type PackedState, type SlimState } from "#core/model";
import { unpack } from "./packed";
import { sumBeside, sumBesideNow } from "./sealed";

/** The course after entry `seq`, and what could be undone then. */
export interface Snapshot {
  readonly seq: number;
  readonly state: () => CourseState;
  readonly history: History;
}

/** How a snapshot lies in its store. */
interface StoredSnapshot extends Pick<PackedState, "bytes"> {
  readonly seq: number;
  /** Where its bytes are cut; left out where they are one text, as they were at first. */
  readonly parts?: PackedState["parts"];
  /** The history, as text. */
  readonly past: string;
  readonly sum: string;
}

const beside = ({ seq, past, parts }: Pick<StoredSnapshot, "seq" | "past" | "parts">): string =>
  [seq, past, ...(parts ? [JSON.stringify(parts)] : [])].map(String).join(" ");

/** What is stored of a course after entry `seq`. */
export const storedSnapshot = (seq: number, state: CourseState, history: History): StoredSnapshot =>
  snapshotOf(seq, packedState(state), history);

/** What is stored of a course that was packed after entry `seq`. */
export function snapshotOf(seq: number, { bytes, parts }: PackedState, history: History): StoredSnapshot {
  const head = { seq, past: JSON.stringify(newestOf(history)), parts };
  return { ...head, bytes, sum: sumBesideNow(beside(head), bytes) };
}

/**
 * The snapshot in a store; null where there is none, or none that is whole. It only saves replaying the journal, so one
 * that cannot be trusted is no loss.
 */
export async function readSnapshot(stored: unknown): Promise<Snapshot | null> {
  if (typeof stored !== "object" || stored === null) return null;
  const { seq, bytes, past, parts, sum } = stored as Partial<StoredSnapshot>;
  if (typeof seq !== "number" || typeof past !== "string" || !(bytes instanceof Uint8Array)) return null;
  if ((await sumBeside(beside({ seq, past, ...(parts && { parts }) }), bytes)) !== sum) return null;
  return {
    seq,
    state: () => (parts ? unpackedState({ bytes, parts }) : fullState(unpack(bytes) as SlimState)),
    history: JSON.parse(past) as History,
  };
}
