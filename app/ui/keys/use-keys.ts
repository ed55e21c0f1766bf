import { useLayoutEffect, useRef } from "react";
import { keyOf, type Pressed } from "./key-of";
import type { KeyName, KeyScope } from "./key-list";
import { isTyping } from "./typing";

/** What a key does; `false` leaves it to whoever comes next. */
export type KeyAct = (digit: number, event: KeyboardEvent) => unknown;

type Acts = { readonly [S in KeyScope]: Readonly<Record<KeyName<S>, KeyAct>> };
/** What every key of a part does: none of the list may be left out, and no other can be had. */
export type KeyActs<S extends KeyScope> = Acts[S];

interface KeyOptions<S extends KeyScope> {
  /** Heard before all others, who then do not hear it. */
  readonly first?: boolean;
  /** Keys that act while something is typed, too. */
  readonly whileTyping?: readonly KeyName<S>[];
}

/**
 * Listens to the keys of one part of the application while it is on the screen. Ours, and not react-hotkeys-hook (5.4.0,
 * read and not tried): a call of it hears its keys all by their place or all by what is printed on them, and none that
 * needs the right Alt key. The desk needs digits by their place, letters as printed, and brackets on every keyboard.
 */
export function useKeys<S extends KeyScope>(
  scope: S,
  acts: KeyActs<NoInfer<S>>,
  options: KeyOptions<NoInfer<S>> = {},
): void {
  const { first = false } = options;
  const latest = useRef({ acts, options });
  // Before the page is painted: no key that is pressed on what can be seen may be lost.
  useLayoutEffect(() => {
    latest.current = { acts, options };
  });
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.defaultPrevented) return;
      const pressed = keyOf(scope, event);
      if (!pressed) return;
      const now = latest.current;
      if (isTyping(event.target) && !now.options.whileTyping?.includes(pressed.name)) return;
      if (now.acts[pressed.name](pressed.digit, event) === false) return;
      event.preventDefault();
      if (first) event.stopPropagation();
    };
    window.addEventListener("keydown", listen, { capture: first });
    return () => {
      window.removeEventListener("keydown", listen, { capture: first });
    };
  }, [scope, first]);
}

/** Carries out a press on an element that has keys of a part to itself; answers whether it was one of `acts`. */
export function actOn<S extends KeyScope, N extends KeyName<S>>(
  pressed: Pressed<S> | null,
  acts: Readonly<Record<N, (digit: number) => unknown>>,
): boolean {
  if (!pressed || !Object.hasOwn(acts, pressed.name)) return false;
  return acts[pressed.name as N](pressed.digit) !== false;
}
