import { useCallback } from "react";
import { useNavigate } from "react-router";

/**
 * Goes to another screen by a key or a choice. The way is under way at once, so that the very next key waits for the screen
 * it is meant for (`useKeysWait`).
 */
export function useGoTo(): (to: string) => void {
  const navigate = useNavigate();
  return useCallback((to) => void navigate(to, { flushSync: true }), [navigate]);
}
