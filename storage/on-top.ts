import { advance, applyPatches, type History } from "#core/changes";
import type { CourseState } from "#core/model";
import type { UnwrittenEntry } from "./hurried";
import { entriesAfter, type Ledger } from "./journal/journal";

/** A course with the changes that are not written yet. */
interface OnTop {
  readonly state: CourseState;
  readonly history: History;
  readonly pending: readonly UnwrittenEntry[];
  /** Those that no longer fit what others wrote, in the order in which they were made. */
  readonly setAside: readonly UnwrittenEntry[];
}

/**
 * What is pending on top of what is written. A change that another tab, which found it left behind, wrote after the entry
 * `seq` is done.
 */
export function onTopOf(ledger: Ledger, pending: readonly UnwrittenEntry[], seq: number): OnTop {
  const written = new Set(entriesAfter(ledger, seq).map(({ change }) => change.id));
  const kept: UnwrittenEntry[] = [];
  const setAside: UnwrittenEntry[] = [];
  let { state, history } = ledger;
  for (const step of pending) {
    if (written.has(step.change.id)) continue;
    const next = applyPatches(state, step.change.patches);
    if (next.ok) {
      state = next.value;
      history = advance(history, step);
      kept.push(step);
    } else {
      setAside.push(step);
    }
  }
  return { state, history, pending: kept, setAside };
}
