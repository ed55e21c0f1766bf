import { useMemo } from "react";
import { partedBy, takenFiles, waitingPieces } from "#core/collect";
import type { Instant } from "#core/kernel";
import type { CourseState, WorkFile } from "#core/model";
import type { Tray } from "#storage";
import { fromAddress } from "../../ui/address";
import { useFollowed } from "../../ui/hooks/use-followed";
import { useSearchChoice } from "../../ui/ways/use-search-choice";
import { cameBack, trayRows, withClassSheets } from "./rows";
import { likelyAssignment } from "./likely-assignment";
import { useKeptSums } from "./use-kept-sums";
import { useMatches } from "./use-matches";

const NOWHERE: ReturnType<typeof partedBy>["elsewhere"] = new Map();

/** The tray of a course as a page shows it: what of it is chosen by the address, and what taking that in would make. */
export function useTray(
  tray: Tray,
  readFile: (file: Pick<WorkFile, "id">) => Promise<Blob | null>,
  { state, now }: { readonly state: CourseState; readonly now: Instant },
) {
  const [text, set, choose] = useSearchChoice();
  const all = useFollowed(tray.subscribe, () => tray.pieces);
  const waiting = useMemo(() => waitingPieces(all, (file) => takenFiles(state).has(file)), [all, state]);
  const source = text("from");
  const chosen = useMemo(
    () => withClassSheets(state, source === "" ? waiting : waiting.filter((piece) => piece.source === source)),
    [state, waiting, source],
  );
  const wanted = state.assignments[fromAddress("assignment", text("into"))];
  const assignment = wanted ?? likelyAssignment(state, chosen, now);
  const into = assignment?.id ?? null;
  const { here: pieces, elsewhere } = useMemo(
    () => (into ? partedBy(state, chosen, into) : { here: chosen, elsewhere: NOWHERE }),
    [state, chosen, into],
  );
  const time = text("time") === "inTime" ? ("inTime" as const) : ("dated" as const);
  const kept = useKeptSums(state, assignment, pieces, readFile);
  const unknown = useMemo(() => {
    const back = assignment ? cameBack(state, assignment, pieces, kept) : null;
    return back && back.size > 0 ? pieces.filter(({ id }) => !back.has(id)) : pieces;
  }, [state, assignment, pieces, kept]);
  const { matches, isCurrent } = useMatches(state, assignment, unknown);
  const rows = useMemo(
    () => assignment && trayRows({ state, assignment, pieces, matches, kept, time }),
    [state, assignment, pieces, matches, kept, time],
  );
  return { waiting, pieces, elsewhere, source, time, assignment, rows, isCurrent, set, choose };
}
