import { useMemo } from "react";
import type { AssignmentId } from "#core/kernel";
import { fromAddress, inAddress } from "../../../ui/address";
import { useLatest } from "../../../ui/hooks/use-latest";
import { useHashText } from "../../../ui/ways/use-hash-text";
import { useSearchChoice } from "../../../ui/ways/use-search-choice";
import { FIGURE_MODES } from "./grid/cells";
import { SHOW_ONLY, type GradeView } from "./rows";

const oneOf = <T extends string>(values: readonly T[], text: string | null): T | undefined =>
  values.find((value) => value === text);

/**
 * What the gradebook shows, kept in the address: filters and order and hidden columns in its search, the name looked for behind
 * its `#`. `onChosen` is told every choice; what one comes with, such as a link to what waits, is looked at and not chosen.
 */
export function useView(onChosen: (search: string) => void) {
  const [find, setFind] = useHashText("find");
  const [text, set] = useSearchChoice("all", onChosen);
  const hide = text("hide");
  const hidden = useMemo(
    (): ReadonlySet<AssignmentId> =>
      new Set(
        hide
          .split(" ")
          .filter(Boolean)
          .map((name) => fromAddress("assignment", name)),
      ),
    [hide],
  );
  const setHidden = useLatest((next: ReadonlySet<AssignmentId>) => {
    set("hide", [...next].map(inAddress).join(" "));
  });
  const [section, term, category, sort] = [text("section"), text("term"), text("category"), text("sort")];
  const show = oneOf(SHOW_ONLY, text("show")) ?? "all";
  const mode = oneOf(FIGURE_MODES, text("figures")) ?? "points";
  const view = useMemo((): GradeView => {
    const [by = "", direction] = sort.split(".");
    return {
      find,
      section: section ? fromAddress("section", section) : null,
      term: term ? fromAddress("term", term) : null,
      category: category ? fromAddress("category", category) : null,
      show,
      mode,
      sort: {
        by: by === "" || by === "name" || by === "total" ? by || "name" : `assignment:${by}`,
        down: direction === "down",
      },
      hidden,
    };
  }, [find, section, term, category, show, mode, sort, hidden]);
  const onSort = useLatest((by: string) => {
    const name = by.startsWith("assignment:") ? inAddress(by) : by;
    // First from the highest down for figures and from A for names; a second time the other way round.
    const down = view.sort.by === by ? !view.sort.down : by !== "name";
    set("sort", `${name}${down ? ".down" : ""}`);
  });
  const changeFind = useLatest(setFind);
  return useMemo(
    () => ({
      view,
      chosen: { section, term, category, show, figures: mode },
      find,
      setFind: changeFind,
      set,
      onSort,
      hidden,
      setHidden,
    }),
    [view, section, term, category, show, mode, find, changeFind, set, onSort, hidden, setHidden],
  );
}

/** What the gradebook shows, and the ways to change it; the same object until one of them is another. */
export type Looking = ReturnType<typeof useView>;
