import type { Context } from "#core/changes";
import type { Steps } from "#core/kernel";
import type { Stretcher } from "./lock/lock-record";
import type { KeyTabs } from "./lock/locksmith";

/** Time and fresh ids, handed in from outside. */
export interface Surroundings {
  readonly now: () => Context["at"];
  readonly fresh: () => string;
  /** Calls again and again until it is told to stop, so that what is due goes out by itself; left out: at opening only. */
  readonly often?: (act: () => void) => () => void;
  /** Takes the steps of a long change and gives others their turn in between; left out: all of them at once. */
  readonly inTurns?: <T>(steps: Steps<T>) => Promise<T>;
  /** Makes keys of passphrases; left out: courses cannot be locked. */
  readonly stretcher?: Stretcher;
  /** Hands keys from tab to tab; left out: each tab asks for itself. */
  readonly keyTabs?: KeyTabs;
}
