import { useSearchParams } from "react-router";

/** The search of the address, and how to change it in its place. */
export function useAddress() {
  const [search, setSearch] = useSearchParams();
  const set = (change: (next: URLSearchParams) => void) => {
    setSearch(
      (before) => {
        change(before);
        return before;
      },
      // At once under way: between a choice and what it shows nothing of the choice before can be released.
      { replace: true, preventScrollReset: true, flushSync: true },
    );
  };
  return [search, set] as const;
}
