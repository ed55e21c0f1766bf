import { startTransition, useCallback, useInsertionEffect, useLayoutEffect, useRef, useState } from "react";
import { useLocation, useMatches, useNavigation } from "react-router";
import { isOnControl, isTyping } from "./typing";

/** Keys that do nothing by themselves, and the one that only the browser can press. */
const NEVER_HELD = new Set(["Shift", "Control", "Alt", "AltGraph", "Meta", "CapsLock", "Tab"]);

const LIST_MOVES = new Set(["ArrowUp", "ArrowDown", "ArrowLeft", "ArrowRight", "Home", "End", "PageUp", "PageDown"]);

/** A move in the list from which the way was chosen: it chooses again, which nothing on this page could do in its place. */
const isMoveInList = ({ target, key }: KeyboardEvent) => target instanceof HTMLSelectElement && LIST_MOVES.has(key);

/** A turn of the page's own, in which what the key before has changed is drawn. */
const nextTurn = () =>
  new Promise((resolve) => {
    setTimeout(resolve, 0);
  });

/** Presses a key again, where the focus is by now. */
function press(event: KeyboardEvent): void {
  const on = document.activeElement ?? document.body;
  const again = new KeyboardEvent("keydown", event);
  if (!on.dispatchEvent(again)) return;
  // What the browser does by itself for a key of a hand, it does not do for one that is pressed again.
  if (isTyping(on)) {
    // oxlint-disable-next-line typescript/no-deprecated -- the one way to write as a hand does, also into an editor
    if (event.key.length === 1 && !event.altKey) document.execCommand("insertText", false, event.key);
  } else if ((event.key === "Enter" || event.key === " ") && isOnControl(again)) (on as HTMLElement).click();
}

/** The handle of a page on which the search of the address names what its keys judge. */
export const keysFollowSearch = { keysFollowSearch: true };

interface Address {
  readonly pathname: string;
  readonly search: string;
}

/** What the keys of a page act on, as its address names it: a page whose handle does not say so by its path alone. */
function useActedOn() {
  const isSearch = useMatches().some(({ handle }) => handle === keysFollowSearch);
  return useCallback(
    ({ pathname, search }: Address) => {
      // Written as the browser writes it, wherever it comes from.
      const written = new URL(pathname + search, window.location.origin);
      return isSearch ? written.pathname + written.search : written.pathname;
    },
    [isSearch],
  );
}

interface Way {
  /** What the keys of the page that is drawn act on. */
  here: string;
  /** The same, as it was before the way. */
  from: string;
  actedOn: (address: Address) => string;
  /** Whether the router has said, on the page, that it leads elsewhere. */
  isSaid: boolean;
  /** How many ways were begun by a key, and how many of those have ended, as far as the page is drawn. */
  begun: number;
  ended: number;
  isPressing: boolean;
  readonly held: KeyboardEvent[];
}

/** Whether the page that is drawn is not yet the one a way leads to; the address is there before anything of it is drawn. */
const isGoing = (way: Way) => way.isSaid || way.begun > way.ended || way.actedOn(window.location) !== way.here;

/**
 * Keys that are pressed on the way to another page, paper or criterion wait for it, and are pressed again once it stands: a
 * hand that is faster than the page judges what it has gone on to, and not what was there before. A form that is sent is no
 * way: what is typed meanwhile stays where it is typed.
 * @returns to be told of each way that a key begins (`WayContext`), for the router says so only as soon as it can draw
 */
export function useKeysWait(): (to: string, end: Promise<void>) => void {
  const actedOn = useActedOn();
  const here = actedOn(useLocation());
  const { location: next, formMethod } = useNavigation();
  const isSaid = next !== undefined && formMethod === undefined && actedOn(next) !== here;
  const [ended, setEnded] = useState(0);
  const way = useRef<Way>({
    ...{ here, from: here, actedOn, isSaid: false },
    ...{ begun: 0, ended: 0, isPressing: false, held: [] },
  });

  // Before any part of the page listens: a key that waits is heard by none of them.
  useInsertionEffect(() => {
    const hold = (event: KeyboardEvent) => {
      const { current } = way;
      if (!event.isTrusted || !(isGoing(current) || current.isPressing)) return;
      if (NEVER_HELD.has(event.key) || event.metaKey || (event.ctrlKey && !event.altKey)) return;
      if (isMoveInList(event)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (!event.repeat) current.held.push(event);
    };
    window.addEventListener("keydown", hold, { capture: true });
    return () => {
      window.removeEventListener("keydown", hold, { capture: true });
    };
  }, []);

  useLayoutEffect(() => {
    const { current } = way;
    Object.assign(current, { here, actedOn, isSaid, ended });
    goOn(current);
  }, [isSaid, here, actedOn, ended]);

  return useCallback((to, end) => {
    const { current } = way;
    if (current.actedOn(new URL(to, window.location.href)) === current.here) return;
    current.begun += 1;
    const endIt = () => {
      // A way ends, too, where another takes its place: by then the router has said of that one.
      startTransition(() => {
        setEnded((before) => before + 1);
      });
    };
    void end.then(endIt, endIt);
  }, []);
}

/** Presses what waited, where no way is left to wait for. */
function goOn(way: Way): void {
  if (isGoing(way)) return;
  // Where the way led nowhere, they were meant for nothing that stands here.
  if (way.from === way.here) way.held.length = 0;
  way.from = way.here;
  if (!way.isPressing) void pressAll(way);
}

async function pressAll(way: Way): Promise<void> {
  way.isPressing = true;
  while (way.held.length > 0) {
    await nextTurn();
    // One of them may have gone on; the rest waits for that.
    if (isGoing(way)) break;
    const event = way.held.shift();
    if (event) press(event);
  }
  way.isPressing = false;
}
