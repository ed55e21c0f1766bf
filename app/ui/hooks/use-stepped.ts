import { startTransition, useEffect, useMemo, useState } from "react";
import type { Steps } from "#core/kernel";
import type { Ending } from "./in-turns";
import { Question } from "./question";

/** What long work has come to. */
export interface Stepped<T> {
  /** The answer to the last question that was worked out; null before the first. */
  readonly value: T | null;
  /** The question is another one by now, and is being worked out. */
  readonly isBehind: boolean;
}

/**
 * Works out what may take long without ever holding the page up: what is quick is there at once, and what comes later is
 * drawn in turns of the page, too: the answer over a whole class may change much of what is shown. `make` must be the same
 * function as long as the question is the same; null asks nothing. @throws what working it out threw
 */
export function useStepped<T>(make: (() => Steps<T>) | null): Stepped<T> {
  const question = useMemo(() => make && new Question(make), [make]);
  const [told, setTold] = useState<{ readonly by: Question<T>; readonly ending: Ending<T> | null } | null>(null);
  useEffect(
    () =>
      question?.subscribe(() => {
        startTransition(() => {
          setTold({ by: question, ending: question.read() });
        });
      }),
    [question],
  );
  const ending = question && (question.atOnce ?? (told?.by === question ? told.ending : null));
  const [last, setLast] = useState<{ readonly value: T | null }>({ value: null });
  if (ending && "error" in ending) throw ending.error;
  const value = ending ? ending.value : question ? last.value : null;
  if (value !== last.value) setLast({ value });
  return { value, isBehind: question !== null && ending === null };
}
