import { useCallback, useEffect, useRef } from "react";
import { useNavigation, useSearchParams } from "react-router";

/**
 * Choices kept in the search of the address, so that back and reload find them again; an empty choice leaves it. `bare`
 * stands in it when everything was chosen away, which is not the same as nothing chosen yet.
 */
export function useSearchChoice(
  bare?: string,
): [
  text: (name: string) => string,
  set: (name: string, value: string) => void,
  choose: (choices: Readonly<Record<string, string>>) => void,
] {
  const [search, setSearch] = useSearchParams();
  const { state } = useNavigation();
  // A choice made before the one before has arrived goes on from that one, and does not take it back.
  const underWay = useRef<URLSearchParams | null>(null);
  useEffect(() => {
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
          return next;
        },
        { replace: true, preventScrollReset: true },
      );
    },
    [setSearch, bare],
  );
  const set = useCallback(
    (name: string, value: string) => {
      choose({ [name]: value });
    },
    [choose],
  );
  return [(name) => search.get(name) ?? "", set, choose];
}
