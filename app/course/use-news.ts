import { use, useCallback } from "react";
import type { ChangeResult, HistoryStep } from "#core/changes";
import { tellNews } from "../ui/news/tell";
import { issueWords } from "../ui/words/words";
import { SessionContext } from "./course-provider";
import { useChange } from "./use-change";

/**
 * Says at the foot of the screen what a change did, in the words of its journal line, with a way to undo it there. What did
 * not come about says nothing here: whoever sent it says why.
 */
export function useNews(): (outcome: ChangeResult) => void {
  const session = use(SessionContext);
  return useCallback(
    (outcome) => {
      if (!session || !outcome.ok) return;
      const { id, line } = outcome.value;
      const run = () => {
        const undone = session.undoOne(id);
        tellNews({ words: undone.ok ? undone.value.line : issueWords(undone.issue) });
      };
      tellNews({ words: line, act: { words: "Undo", run } });
    },
    [session],
  );
}

/** Goes a step through the history and says what was undone or redone. */
export function useHistoryStep(): (step: HistoryStep) => void {
  const change = useChange();
  return useCallback(
    (step) => {
      void change(step).then((outcome) => {
        if (outcome.ok) tellNews({ words: outcome.value.line });
      });
    },
    [change],
  );
}
