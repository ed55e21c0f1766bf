import { useCallback } from "react";
import type { ChangeResult, Command } from "#core/changes";
import { issueWords } from "../words/words";

/** What came of a command, as words of trouble or null. That nothing changed is no trouble. */
export const troubleOf = (outcome: ChangeResult): string | null =>
  outcome.ok || outcome.issue.code === "nothing_to_change" ? null : issueWords(outcome.issue);

/** Sends a command and answers words of trouble, or null. */
export function useTroubleOf(
  change: (command: Command) => Promise<ChangeResult>,
): (command: Command) => Promise<string | null> {
  return useCallback(async (command: Command) => troubleOf(await change(command)), [change]);
}
