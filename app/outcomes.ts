import type { Change, ChangeIssue, Command, HistoryStep } from "#core/changes";
import type { Result } from "#core/kernel";

export type Outcome = Result<Change, ChangeIssue>;

/** What the change action is asked to do: a command, or a step through the history. */
export type Wish = Command | HistoryStep;

interface Waiting {
  readonly wish: Wish;
  readonly answer: (outcome: Outcome) => void;
}

// An action's answer is lost when a second submission of the same key overtakes it; here none is lost, because each
// request waits for its own. The wish waits here too: reading it back from the body of a request would let frames pass
// between a key and what it does.
const waiting = new Map<string, Waiting>();

/** Leaves a wish for the action to take and answers how it came out. */
export function expectOutcome(requestId: string, wish: Wish): Promise<Outcome> {
  return untilTakenIn(
    new Promise((answer) => {
      waiting.set(requestId, { wish, answer });
    }),
  );
}

/** Takes what a request is about; undefined for one that nobody made here. */
export function takeWish(requestId: string): Waiting | undefined {
  const found = waiting.get(requestId);
  waiting.delete(requestId);
  return found;
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
