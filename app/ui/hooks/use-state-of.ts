import { useCallback, useState } from "react";

type Held = string | number | boolean | null;

/**
 * State that belongs to one thing, such as a paper, and begins anew with the next in the same drawing: what is drawn round
 * it need not be made anew for that. What sets it, got while an earlier one was shown, does nothing to a later one.
 */
export function useStateOf<T extends Held>(
  owner: string,
  begin: () => T,
): readonly [value: T, set: (next: T | ((now: T) => T)) => void] {
  const [held, setHeld] = useState(() => ({ owner, value: begin() }));
  let now = held;
  if (held.owner !== owner) {
    now = { owner, value: begin() };
    setHeld(now);
  }
  const set = useCallback(
    (next: T | ((now: T) => T)) => {
      setHeld((before) =>
        before.owner === owner ? { owner, value: typeof next === "function" ? next(before.value) : next } : before,
      );
    },
    [owner],
  );
  return [now.value, set];
}
