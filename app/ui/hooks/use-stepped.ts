import { useMemo, useState, useSyncExternalStore } from "react";
import type { Steps } from "#core/kernel";
import { Question } from "./question";

/** What long work has come to. */
export interface Stepped<T> {
  /** The answer to the last question that was worked out; null before the first. */
  readonly value: T | null;
  /** The question is another one by now, and is being worked out. */
  readonly isBehind: boolean;
}

const hearNothing = () => () => undefined;
const nothingAsked = () => null;

/**
 * Works out what may take long without ever holding the page up: what is quick is there at once. `make` must be the same
 * function as long as the question is the same; null asks nothing. @throws what working it out threw
 */
export function useStepped<T>(make: (() => Steps<T>) | null): Stepped<T> {
  const question = useMemo(() => make && new Question(make), [make]);
  const ending = useSyncExternalStore(question?.subscribe ?? hearNothing, question?.read ?? nothingAsked);
  const [last, setLast] = useState<{ readonly value: T | null }>({ value: null });
  if (ending && "error" in ending) throw ending.error;
  const value = ending ? ending.value : question ? last.value : null;
  if (value !== last.value) setLast({ value });
  return { value, isBehind: question !== null && ending === null };
}
