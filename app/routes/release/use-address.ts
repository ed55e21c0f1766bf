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
      { replace: true, preventScrollReset: true },
    );
  };
  return [search, set] as const;
}
