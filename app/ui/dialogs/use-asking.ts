import { useCallback, useRef, useState } from "react";
import type { ChangeResult, Command } from "#core/changes";
import { sameValue } from "#core/kernel";
import { canConfirm, issueWords } from "../words/words";

/**
 * Sends the desk's commands and says when one is refused. A judgement that has to be asked about is confirmed by doing
 * the same thing again. What is typed into a field is sent by `sendTyped`: the field itself says why it is refused.
 */
export function useAsking(change: (command: Command) => Promise<ChangeResult>) {
  const [notice, setNotice] = useState<string | null>(null);
  const asked = useRef<Command | null>(null);
  const send = useCallback(
    async (command: Command): Promise<ChangeResult> => {
      const again = command.type === "judge" && sameValue(asked.current, command);
      const outcome = await change(again ? { ...command, confirmed: true } : command);
      const refused = !outcome.ok && outcome.issue.code !== "nothing_to_change" ? outcome.issue : null;
      asked.current = refused && canConfirm(refused) ? command : null;
      setNotice(refused && issueWords(refused));
      return outcome;
    },
    [change],
  );
  const sendTyped = useCallback(
    (command: Command): Promise<ChangeResult> => {
      setNotice(null);
      return change(command);
    },
    [change],
  );
  return { send, sendTyped, notice };
}
