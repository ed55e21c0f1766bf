import { useCallback, useLayoutEffect, useRef } from "react";

/** A function that stays the same object and does what the latest look at the screen would have it do. */
export function useLatest<Args extends readonly unknown[], Answer>(
  act: (...args: Args) => Answer,
): (...args: Args) => Answer {
  const latest = useRef(act);
  useLayoutEffect(() => {
    latest.current = act;
  });
  return useCallback((...args: Args) => latest.current(...args), []);
}
