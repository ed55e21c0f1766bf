import { useState } from "react";
import type { Command } from "#core/changes";
import type { CourseState } from "#core/model";
import { Ask } from "../../ui/dialogs/ask";
import { troubleOf } from "../../ui/hooks/use-command";
import { useChange } from "../../course/use-change";
import { useNews } from "../../course/use-news";
import { lossWords, type PlanBlock, type PlanLine } from "./rows";

/** What is about to be removed. */
interface Removal {
  readonly title: string;
  readonly losses: readonly string[];
  readonly act: () => Promise<string | null>;
}

/** Removals are asked about with what they would take away. */
export function useRemovals(state: CourseState) {
  const change = useChange();
  const news = useNews();
  const [removal, setRemoval] = useState<Removal | null>(null);
  const remove = async (command: Command) => {
    const outcome = await change(command);
    news(outcome);
    return troubleOf(outcome);
  };
  const removeLine = (line: PlanLine) => {
    setRemoval({
      title: `Remove ${line.name}?`,
      losses: lossWords(state, [line.id]),
      act: () => remove({ type: "removeAssignments", assignmentIds: [line.id] }),
    });
  };
  const removeBlock = (block: PlanBlock) => {
    const losses = lossWords(
      state,
      block.lines.map(({ id }) => id),
    );
    setRemoval({
      title: `Remove ${block.name}?`,
      losses: [...(block.lines.length > 0 ? [`${String(block.lines.length)} assignments`] : []), ...losses],
      act: () => remove({ type: "removeCategory", categoryId: block.id }),
    });
  };
  return { removal, setRemoval, removeLine, removeBlock };
}

export function RemovalAsk({
  removal,
  tell,
  onClose,
}: {
  readonly removal: Removal | null;
  readonly tell: (sending: Promise<string | null>) => void;
  readonly onClose: () => void;
}) {
  return (
    <Ask
      open={removal !== null}
      title={removal?.title ?? ""}
      action="Remove"
      onClose={onClose}
      onAct={() => {
        if (removal) tell(removal.act());
      }}
    >
      {removal && removal.losses.length > 0
        ? `This takes away ${removal.losses.join(", ")}. Undo brings all of it back.`
        : "Nothing is recorded for it yet. Undo brings it back."}
    </Ask>
  );
}
