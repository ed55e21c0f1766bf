import { useSearchParams } from "react-router";
import type { PileOrder } from "../../../course/choices";

/** What the address of the desk asks for beside the paper, and how to ask for something else. */
export function useDeskAddress() {
  const [search, setSearch] = useSearchParams();
  const ask = (name: string, value: string | null, replace: boolean) => {
    setSearch(
      (now) => {
        if (value === null) now.delete(name);
        else now.set(name, value);
        return now;
      },
      { replace },
    );
  };
  return {
    search,
    showRubric: (open: boolean) => {
      ask("rubric", open ? "whole" : null, true);
    },
    endComparison: () => {
      ask("beside", null, false);
    },
    putInOrder: (order: PileOrder) => {
      ask("order", order, true);
    },
  };
}
