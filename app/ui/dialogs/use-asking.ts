import { useCallback, useRef } from "react";
import type { ChangeResult, Command } from "#core/changes";
import { sameValue } from "#core/kernel";
import { useStateOf } from "../hooks/use-state-of";
import { canConfirm, issueWords } from "../words/words";

/**
 * Sends the desk's commands and says when one is refused. A judgement that has to be asked about is confirmed by doing
 * the same thing again. What is typed into a field is sent by `sendTyped`: the field itself says why it is refused.
 * @param about what is judged, where another can take its place: nothing that was asked of the one is answered by the other
 */
export function useAsking(change: (command: Command) => Promise<ChangeResult>, about = "") {
  const [notice, setNotice] = useStateOf<string | null>(about, () => null);
  const asked = useRef<{ readonly about: string; readonly command: Command } | null>(null);
  const send = useCallback(
    async (command: Command): Promise<ChangeResult> => {
      const again = command.type === "judge" && sameValue(asked.current, { about, command });
      const outcome = await change(again ? { ...command, confirmed: true } : command);
      const refused = !outcome.ok && outcome.issue.code !== "nothing_to_change" ? outcome.issue : null;
      asked.current = refused && canConfirm(refused) ? { about, command } : null;
      setNotice(refused && issueWords(refused));
      return outcome;
    },
    [change, about, setNotice],
  );
  const sendTyped = useCallback(
    (command: Command): Promise<ChangeResult> => {
      setNotice(null);
      return change(command);
    },
    [change, setNotice],
  );
  return { send, sendTyped, notice };
}
