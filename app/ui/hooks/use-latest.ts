import { useCallback, useLayoutEffect, useRef, type RefObject } from "react";

/**
 * What the latest look at the screen was drawn from, for whoever acts later. It is set as the screen is drawn and not after it:
 * an effect that runs later would put back what was there before, under a key pressed meanwhile.
 */
export function useCurrent<T>(value: T): RefObject<T> {
  const current = useRef(value);
  useLayoutEffect(() => {
    current.current = value;
  });
  return current;
}

/** A function that stays the same object and does what the latest look at the screen would have it do. */
export function useLatest<Args extends readonly unknown[], Answer>(
  act: (...args: Args) => Answer,
): (...args: Args) => Answer {
  const latest = useCurrent(act);
  return useCallback((...args: Args) => latest.current(...args), [latest]);
}
