import type { Steps } from "#core/kernel";
import { takeInTurns } from "./in-turns";

/** What long work has come to. */
export interface Stepped<T> {
  /** The answer to the last question that was worked out; null before the first. */
  readonly value: T | null;
  /** The question is another one by now, and is being worked out. */
  readonly isBehind: boolean;
}

/** Works out one question after the other in turns of the page; another question ends the one under way. */
export class Stepper<T> {
  #make: (() => Steps<T>) | null = null;
  #shown: Stepped<T> = { value: null, isBehind: false };
  #error: Error | null = null;
  #leaveOff: () => void = () => undefined;
  #listeners = new Set<() => void>();

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => {
      this.#listeners.delete(listener);
      if (this.#listeners.size > 0 || !this.#shown.isBehind) return;
      // Nobody looks any more; who looks again asks anew.
      this.#leaveOff();
      this.#make = null;
    };
  };

  /** What is known of a question; the same function is the same question, null asks nothing. @throws what working it out threw */
  read(make: (() => Steps<T>) | null): Stepped<T> {
    if (make !== this.#make) this.#begin(make);
    if (this.#error) throw this.#error;
    return this.#shown;
  }

  #begin(make: (() => Steps<T>) | null): void {
    this.#leaveOff();
    this.#make = make;
    this.#error = null;
    if (!make) {
      this.#shown = { value: null, isBehind: false };
      return;
    }
    this.#shown = { value: this.#shown.value, isBehind: true };
    // Whoever asks is drawing itself: it is told only of what comes later.
    let isAsking = true;
    this.#leaveOff = takeInTurns(make(), (ending) => {
      if ("value" in ending) this.#shown = { value: ending.value, isBehind: false };
      else this.#error = ending.error;
      if (!isAsking) for (const listener of this.#listeners) listener();
    });
    isAsking = false;
  }
}
