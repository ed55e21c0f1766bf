import { useCallback } from "react";
import { useSearchParams } from "react-router";

/** Choices kept in the search of the address, so that back and reload find them again; an empty choice leaves it. */
export function useSearchChoice(): [text: (name: string) => string, set: (name: string, value: string) => void] {
  const [search, setSearch] = useSearchParams();
  const set = useCallback(
    (name: string, value: string) => {
      setSearch(
        (before) => {
          const next = new URLSearchParams(before);
          if (value === "") next.delete(name);
          else next.set(name, value);
          return next;
        },
        { replace: true, preventScrollReset: true },
      );
    },
    [setSearch],
  );
  return [(name) => search.get(name) ?? "", set];
}
