import { startTransition, useEffect, useState } from "react";
import { inNextTurn } from "./in-next-turn";

/** Longest stretch of work before the page gets its turn, in milliseconds. */
const STRETCH = 10;
/** Time between two tellings of how far it is, in milliseconds: each draws what shows it anew. */
const TELLING = 100;
/** Rest after the last change of what is asked, in milliseconds. */
const REST = 150;

/** What a long look has found so far, and how far it is. */
export interface Sliced<R> {
  readonly found: readonly R[];
  readonly done: number;
  readonly of: number;
}

/**
 * Looks at many things one after the other without ever holding the page up; starts again when what is asked changes.
 * `look` must be the same function as long as the question is the same; null asks nothing.
 */
export function useSliced<T, R>(list: readonly T[], look: ((one: T) => readonly R[]) | null): Sliced<R> {
  const [state, setState] = useState<Sliced<R>>({ found: [], done: 0, of: 0 });
  useEffect(() => {
    const found: R[] = [];
    let next = 0;
    let told = 0;
    let stop: () => void;
    const work = () => {
      const until = performance.now() + STRETCH;
      while (look && next < list.length && performance.now() < until) {
        found.push(...look(list[next] as T));
        next += 1;
      }
      const isOver = !look || next >= list.length;
      if (isOver || performance.now() - told >= TELLING) {
        told = performance.now();
        const far = { found: [...found], done: look ? next : 0, of: look ? list.length : 0 };
        startTransition(() => {
          setState(far);
        });
      }
      if (!isOver) stop = inNextTurn(work);
    };
    const timer = setTimeout(work, look ? REST : 0);
    stop = () => {
      clearTimeout(timer);
    };
    return () => {
      stop();
    };
  }, [list, look]);
  return state;
}
