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
