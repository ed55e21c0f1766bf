import { useCallback, useState, useSyncExternalStore } from "react";
import type { Steps } from "#core/kernel";
import { Stepper, type Stepped } from "./stepper";

/**
 * Works out what may take long without ever holding the page up: what is quick is there at once. `make` must be the same
 * function as long as the question is the same; null asks nothing.
 */
export function useStepped<T>(make: (() => Steps<T>) | null): Stepped<T> {
  const [stepper] = useState(() => new Stepper<T>());
  return useSyncExternalStore(
    stepper.subscribe,
    useCallback(() => stepper.read(make), [stepper, make]),
  );
}
