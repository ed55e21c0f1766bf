import type { Steps } from "#core/kernel";
import { inNextTurn } from "./in-next-turn";

/** Longest stretch of steps before the page gets its turn, in milliseconds. */
const STRETCH = 10;
/** Longest first stretch: what takes no longer is there at once, and the drawing around it must fit within 50 ms as well. */
const FIRST_STRETCH = 10;

/** What is left of the first stretch, which all work that begins in one turn of the page shares: several do not add up. */
let left = FIRST_STRETCH;

/** Spends of the first stretch what some work takes. */
function spend<T>(work: () => T): T {
  if (left === FIRST_STRETCH) {
    inNextTurn(() => {
      left = FIRST_STRETCH;
    });
  }
  const start = performance.now();
  const done = work();
  left -= performance.now() - start;
  return done;
}

/** How a long piece of work ends: with its answer, or with what it threw. */
export type Ending<T> = { readonly value: T } | { readonly error: Error };

/** Takes steps until the stretch is over; null where some are left. */
function stretch<T>(steps: Steps<T>, length: number): Ending<T> | null {
  const until = performance.now() + length;
  try {
    for (;;) {
      const step = steps.next();
      if (step.done) return { value: step.value };
      if (performance.now() >= until) return null;
    }
  } catch (error) {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }
}

/** Takes the first stretch of long work now, unless other work has taken it in this turn; null where some is left. */
export const firstStretch = <T>(steps: Steps<T>): Ending<T> | null =>
  left > 0 ? spend(() => stretch(steps, left)) : null;

/**
 * Takes the steps that are left of long work, a stretch in each turn of the page from the next one on, and tells how it
 * ends. Returns how to leave off.
 */
export function goOnInTurns<T>(steps: Steps<T>, end: (ending: Ending<T>) => void): () => void {
  let leaveOff: () => void = () => undefined;
  const goOn = () => {
    leaveOff = inNextTurn(() => {
      const ending = stretch(steps, STRETCH);
      if (ending) end(ending);
      else goOn();
    });
  };
  goOn();
  return () => {
    leaveOff();
  };
}

/**
 * Takes the steps of long work, a stretch in each turn of the page, and tells how it ends; the first stretch is taken before
 * this returns. Returns how to leave off.
 */
export function takeInTurns<T>(steps: Steps<T>, end: (ending: Ending<T>) => void): () => void {
  const ending = firstStretch(steps);
  if (!ending) return goOnInTurns(steps, end);
  end(ending);
  return () => undefined;
}

/** The answer of long work whose steps are taken in turns. @throws what a step throws */
export const inTurns = <T>(steps: Steps<T>): Promise<T> =>
  new Promise((resolve, reject) => {
    takeInTurns(steps, (ending) => {
      if ("value" in ending) resolve(ending.value);
      else reject(ending.error);
    });
  });
