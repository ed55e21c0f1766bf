import { createContext, use, useCallback, useLayoutEffect, useMemo, useRef, useState } from "react";
import { sameValue } from "#core/kernel";
import { useUnkept } from "./use-unkept";

/** What is half-typed, by place; the course that is open keeps it. */
export interface DraftKeeper {
  readonly at: (place: string) => { readonly value: unknown; readonly seen: unknown } | null;
  readonly placesUnder: (beginning: string) => readonly string[];
  /** Answers whether it outlives the page. */
  readonly put: (place: string, draft: { readonly value: unknown; readonly seen: unknown }) => Promise<boolean>;
  readonly drop: (place: string) => void;
}

/** Keeps nothing: for fields outside of a course. */
const NOWHERE: DraftKeeper = {
  at: () => null,
  placesUnder: () => [],
  put: () => Promise.resolve(false),
  drop: () => undefined,
};

export const DraftsContext = createContext<DraftKeeper>(NOWHERE);

/** One place where something is typed. */
export interface DraftPlace {
  /** What was left there when the field came, or null. */
  readonly found: () => { readonly value: unknown; readonly seen: unknown } | null;
  readonly put: (value: unknown, seen: unknown) => void;
  readonly drop: () => void;
}

/**
 * The place of a field among the drafts; null for a field without one. Where what is typed could not be put down, the
 * browser asks before the page is left.
 */
export function useDraftPlace(place: string | null): DraftPlace {
  const open = use(DraftsContext);
  const drafts = place === null ? NOWHERE : open;
  const [unsafe, setUnsafe] = useState(false);
  useUnkept(unsafe);
  const isHeld = useRef(false);
  return useMemo(
    () => ({
      found: () => drafts.at(place ?? ""),
      put: (value, seen) => {
        isHeld.current = true;
        void drafts.put(place ?? "", { value, seen }).then((isSafe) => {
          setUnsafe(!isSafe && isHeld.current);
        });
      },
      drop: () => {
        isHeld.current = false;
        drafts.drop(place ?? "");
        setUnsafe(false);
      },
    }),
    [drafts, place],
  );
}

/** Something typed that nobody has kept yet, and the ways to change it and to let it go. */
export interface Typed<T> {
  readonly value: T;
  /** It was found as it was left, and nothing was typed since. */
  readonly isLeft: boolean;
  /** What the course held when it was typed; null where it was not found but typed now. */
  readonly leftFrom: unknown;
  readonly set: (next: T | ((before: T) => T)) => void;
  /** Back to the start: it was kept, or is not wanted. */
  readonly clear: () => void;
}

/**
 * Like `useState`, for what a person types in a form: it is found again after Back, a reload or a crash. `start` is an empty
 * form; `seen` what the course holds where that is edited; `read` answers null for what is no value of this form.
 */
export function useTyped<T>(
  place: string,
  start: T,
  read: (stored: unknown) => T | null,
  seen: unknown = null,
): Typed<T> {
  const at = useDraftPlace(place);
  const look = () => {
    const draft = at.found();
    const found = draft && read(draft.value);
    return found === null ? { place, value: start, left: null } : { place, value: found, left: draft };
  };
  const [typed, setTyped] = useState(look);
  if (typed.place !== place) setTyped(look());
  const latest = useRef({ start, seen, value: typed.value });
  // As it is drawn: later it would take back what was typed meanwhile.
  useLayoutEffect(() => {
    latest.current = { start, seen, value: typed.value };
  });
  const set = useCallback(
    (next: T | ((before: T) => T)) => {
      const { value: before, start: empty, seen: standing } = latest.current;
      const value = typeof next === "function" ? (next as (before: T) => T)(before) : next;
      latest.current = { ...latest.current, value };
      setTyped({ place, value, left: null });
      if (sameValue(value, empty)) at.drop();
      else at.put(value, standing);
    },
    [at, place],
  );
  const clear = useCallback(() => {
    set(latest.current.start);
  }, [set]);
  return { value: typed.value, isLeft: typed.left !== null, leftFrom: typed.left?.seen ?? null, set, clear };
}

/** A text among the drafts. */
export const readTextDraft = (stored: unknown): string | null => (typeof stored === "string" ? stored : null);

/**
 * Whether something found among the drafts has the form of an example: what an older application left must not break a
 * page. Half-typed fields may hold what the course would refuse, so its schemas do not fit here.
 */
export function isShapedLike(stored: unknown, example: unknown): boolean {
  if (example === null || example === undefined || stored === null) return stored !== undefined;
  if (Array.isArray(example)) {
    const [first] = example as readonly unknown[];
    return Array.isArray(stored) && stored.every((item) => isShapedLike(item, first));
  }
  if (typeof example !== "object") return typeof stored === typeof example;
  if (typeof stored !== "object" || Array.isArray(stored)) return false;
  return Object.entries(example).every(([key, value]) => isShapedLike((stored as Record<string, unknown>)[key], value));
}
