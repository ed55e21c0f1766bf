import { useMemo, useState } from "react";
import type { Assignment } from "#core/model";
import type { Repository } from "#storage";
import { keep } from "../../../course/choices";
import { useChange } from "../../../course/use-change";
import { fromAddress, inAddress } from "../../../ui/address";
import { nearLevel, type sweepRows } from "../../../ui/beside/sweep-rows";
import { useAsking } from "../../../ui/dialogs/use-asking";
import { useSearchChoice } from "../../../ui/ways/use-search-choice";
import { freshShuffle } from "../fresh-shuffle";
import { usePlaceInSweep } from "./use-place-in-sweep";
import { useSweepKeys } from "./use-sweep-keys";

type Rows = ReturnType<typeof sweepRows>;
type Verdict = Extract<Parameters<ReturnType<typeof useAsking>["send"]>[0], { type: "judge" }>["verdict"];

/** How the papers are looked at: by which criterion, with names or without, in which order. */
function useLookingAtPapers(rows: Rows, repository: Repository, toFirst: () => void) {
  const [text, set] = useSearchChoice();
  return {
    /** The criterion that the address asks for, also while its papers are still on their way. */
    chosen: rows?.criteria.find(({ id }) => inAddress(id) === text("criterion"))?.id,
    isShuffled: text("shuffle") !== "",
    showNames: (shown: boolean) => {
      keep(repository, "names-hidden", !shown);
      set("names", shown ? "shown" : "hidden");
    },
    shuffle: (on: boolean) => {
      set("shuffle", on ? freshShuffle() : "");
      toFirst();
    },
    choose: (criterionId: string) => {
      set("criterion", inAddress(criterionId));
      toFirst();
    },
    /** The criterion so many places further, round and round. */
    step: (by: number) => {
      if (!rows) return;
      const at = rows.criteria.findIndex(({ id }) => id === rows.criterion.id);
      const next = rows.criteria[(at + by + rows.criteria.length) % rows.criteria.length];
      if (next) set("criterion", inAddress(next.id));
      toFirst();
    },
  };
}

/** One criterion over all papers, with its keys: a digit judges the paper in hand and goes on to the next. */
export function useSweep(
  rows: Rows,
  assignment: Assignment,
  { isNameless, repository }: { readonly isNameless: boolean; readonly repository: Repository },
) {
  const { send, notice } = useAsking(useChange());
  const inHand = usePlaceInSweep(rows);
  const { current, goTo } = inHand;
  const looking = useLookingAtPapers(rows, repository, () => {
    goTo(0);
  });
  const [comparing, setComparing] = useState<string | null>(null);
  const sheet = rows?.sheets[current];
  const near = useMemo(
    () => (rows && sheet && comparing !== null ? nearLevel(rows, comparing, sheet.studentId) : []),
    [rows, sheet, comparing],
  );
  const judge = (studentId: string, verdict: Verdict) =>
    rows
      ? send({
          type: "judge",
          assignmentId: assignment.id,
          studentId: fromAddress("student", inAddress(studentId)),
          criterionId: rows.criterion.id,
          verdict,
        })
      : null;
  useSweepKeys({
    levels: rows?.criterion.levels.length ?? 0,
    level: (digit) => {
      if (!sheet) return;
      // On at once: the next key is for the next paper, however long this one takes to be kept. A refusal leads back.
      const place = current;
      goTo(place + 1);
      void judge(sheet.studentId, { kind: "level", digit })?.then((outcome) => {
        if (!outcome.ok && outcome.issue.code !== "nothing_to_change") goTo(place);
      });
    },
    open: () => sheet && void judge(sheet.studentId, { kind: "open" }),
    notApplicable: () => sheet && void judge(sheet.studentId, { kind: "notApplicable" }),
    move: (by) => {
      goTo(current + by);
    },
    type: () => {
      inHand.setTyping(true);
    },
    compare: () => {
      const asked = sheet?.levelId ?? rows?.criterion.levels.at(-1)?.id ?? null;
      setComparing(comparing === null ? asked : null);
    },
    criterion: looking.step,
    names: () => {
      looking.showNames(isNameless);
    },
    close: () => {
      setComparing(null);
    },
  });
  return { ...inHand, looking, judge, notice, near, comparing, setComparing };
}
