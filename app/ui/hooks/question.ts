import type { Steps } from "#core/kernel";
import { firstStretch, goOnInTurns, type Ending } from "./in-turns";

/**
 * A question that may take long. What is quick is known as soon as it is asked; the rest is worked out in turns of the page
 * as long as somebody listens, from where it was left off. Each is for itself: a page that is being drawn and thrown away
 * again asks its own, and leaves what stands on the screen alone.
 */
export class Question<T> {
  readonly #steps: Steps<T>;
  #ending: Ending<T> | null = null;
  /** How it ended where it was quick; null where the end comes later. */
  readonly atOnce: Ending<T> | null;
  #leaveOff: () => void = () => undefined;
  readonly #listeners = new Set<() => void>();

  constructor(make: () => Steps<T>) {
    this.#steps = make();
    this.#ending = firstStretch(this.#steps);
    this.atOnce = this.#ending;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    if (this.#listeners.size === 1 && !this.#ending) this.#goOn();
    return () => {
      this.#listeners.delete(listener);
      if (this.#listeners.size === 0) this.#leaveOff();
    };
  };

  /** Its answer, or what working it out threw; null while it is under way. */
  readonly read = (): Ending<T> | null => this.#ending;

  #goOn(): void {
    this.#leaveOff = goOnInTurns(this.#steps, (ending) => {
      this.#ending = ending;
      for (const listener of this.#listeners) listener();
    });
  }
}
