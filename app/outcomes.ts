import type { Change, ChangeIssue } from "#core/changes";
import type { Result } from "#core/kernel";

export type Outcome = Result<Change, ChangeIssue>;

// An action's answer is lost when a second submission of the same key overtakes it; here none is lost, because each
// request waits for its own.
const waiting = new Map<string, (outcome: Outcome) => void>();

export function expectOutcome(requestId: string): Promise<Outcome> {
  return untilTakenIn(
    new Promise((resolve) => {
      waiting.set(requestId, resolve);
    }),
  );
}

export function deliverOutcome(requestId: string, outcome: Outcome): void {
  waiting.get(requestId)?.(outcome);
  waiting.delete(requestId);
}

let underWay = 0;
const listeners = new Set<() => void>();

function move(by: 1 | -1): void {
  underWay += by;
  for (const listener of listeners) listener();
}

/** Counts something typed as not kept until the course has taken it in; answers what it was given. */
export function untilTakenIn<T>(sending: Promise<T>): Promise<T> {
  move(1);
  return sending.finally(() => {
    move(-1);
  });
}

/** How many changes are on their way to the course, for the bar: it must not say "All kept" while one is. */
export const changesUnderWay = {
  count: () => underWay,
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};
