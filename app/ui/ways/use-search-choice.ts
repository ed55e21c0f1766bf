import { useCallback, useLayoutEffect, useRef } from "react";
import { useLocation, useNavigation, useSearchParams } from "react-router";

/** Whether a choice is on its way into the address: what is drawn from it is of the one before. */
export function useIsChoosing(): boolean {
  const { pathname } = useLocation();
  return useNavigation().location?.pathname === pathname;
}

/**
 * Choices kept in the search of the address, so that back and reload find them again; an empty choice leaves it. What is
 * chosen stands at once, also while the page is still on its way there: nothing can be done to what was chosen before.
 * `bare` stands in the address when everything was chosen away, which is not the same as nothing chosen yet. `onChosen` is told
 * the search of every choice, with its `?`, as soon as it is made: the address may never get it, where one goes on at once.
 */
export function useSearchChoice(
  bare?: string,
  onChosen?: (search: string) => void,
): [
  text: (name: string) => string,
  set: (name: string, value: string) => void,
  choose: (choices: Readonly<Record<string, string>>) => void,
] {
  const [search, setSearch] = useSearchParams();
  const { state, location } = useNavigation();
  const isChoosing = useIsChoosing();
  // A choice made before the one before has arrived goes on from that one, and does not take it back.
  const underWay = useRef<URLSearchParams | null>(null);
  // As it is drawn: later it would forget a choice made meanwhile.
  useLayoutEffect(() => {
    if (state === "idle") underWay.current = null;
  }, [state, search]);
  const choose = useCallback(
    (choices: Readonly<Record<string, string>>) => {
      setSearch(
        (before) => {
          const next = new URLSearchParams(underWay.current ?? before);
          for (const [name, value] of Object.entries(choices)) {
            if (value === "") next.delete(name);
            else next.set(name, value);
          }
          if (bare !== undefined) {
            next.delete(bare);
            if (next.size === 0) next.set(bare, "");
          }
          underWay.current = next;
          onChosen?.(`?${next.toString()}`);
          return next;
        },
        { replace: true, preventScrollReset: true, flushSync: true },
      );
    },
    [setSearch, bare, onChosen],
  );
  const set = useCallback(
    (name: string, value: string) => {
      choose({ [name]: value });
    },
    [choose],
  );
  const chosen = isChoosing ? new URLSearchParams(location?.search) : search;
  return [(name) => chosen.get(name) ?? "", set, choose];
}
