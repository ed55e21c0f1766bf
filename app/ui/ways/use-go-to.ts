import { createContext, use, useCallback } from "react";
import { useNavigate } from "react-router";

/** Hears of each way as it is begun: where it leads, and a promise of its end. */
export const WayContext = createContext<(to: string, end: Promise<void>) => void>(() => undefined);

/**
 * Goes to another screen by a key or a choice. The way is known at once, before anything of it is drawn, so that the very next
 * key waits for the screen it is meant for (`useKeysWait`).
 */
export function useGoTo(): (to: string) => void {
  const navigate = useNavigate();
  const hear = use(WayContext);
  return useCallback(
    (to) => {
      hear(to, Promise.resolve(navigate(to)));
    },
    [navigate, hear],
  );
}
