import { use, useEffect, useSyncExternalStore } from "react";
import { courseOf, type CourseState } from "#core/model";
import type { CourseSession } from "#storage";
import { AskAgainContext } from "../ui/ways/ask-again";
import { writeAs } from "../ui/words/figures";
import { isMissing } from "./open-course";

/** What a page shows of a course, and how it hears that it is another. */
export interface Live<T> {
  readonly subscribe: CourseSession["subscribe"];
  /** What is shown now: the very same object until something in it changed. */
  readonly read: () => Shown<T>;
}

interface Shown<T> {
  readonly value: T;
  /** Whether what the address names is in the course no more; `value` is then the last there was. */
  readonly isGone: boolean;
}

/**
 * A selection of a course that follows it: whatever changed the course, a key here, another tab, a moment that was set,
 * `select` is asked again, once for each state that is shown. Of a plain object only what became another counts.
 * @throws what `select` throws for the state that stands, such as a 404
 */
export function live<T>(session: CourseSession, select: (state: CourseState) => T): Live<T> {
  let basis = session.state;
  writeAs(courseOf(basis));
  let shown: Shown<T> = { value: select(basis), isGone: false };
  return {
    subscribe: session.subscribe,
    read: () => {
      const { state } = session;
      if (state === basis) return shown;
      basis = state;
      // Whoever hears of a new state first says how its figures are written, before any of them is put into words.
      writeAs(courseOf(state));
      shown = following(shown, () => select(state));
      return shown;
    },
  };
}

/** Shows a live selection, and with a record that was taken away the page that says so. */
export function useLive<T>(selection: Live<T>): T {
  const { value, isGone } = useSyncExternalStore(selection.subscribe, selection.read);
  const askAgain = use(AskAgainContext);
  useEffect(() => {
    if (isGone) void askAgain();
  }, [isGone, askAgain]);
  return value;
}

function following<T>(before: Shown<T>, select: () => T): Shown<T> {
  try {
    const value = select();
    return isAlike(before.value, value) && !before.isGone ? before : { value, isGone: false };
  } catch (error) {
    if (!isMissing(error)) throw error;
    return { value: before.value, isGone: true };
  }
}

/** Whether both are plain objects whose parts are the very same. */
function isAlike(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (!isPlain(one) || !isPlain(other)) return false;
  const names = Object.keys(one);
  return names.length === Object.keys(other).length && names.every((name) => one[name] === other[name]);
}

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && Object.getPrototypeOf(value) === Object.prototype;
