import { useCallback } from "react";
import { useParams, useSubmit } from "react-router";
import { z } from "zod";
import type { Command, HistoryStep } from "#core/changes";
import { expectOutcome, type Outcome } from "./outcomes";

/** What the change action is sent: a command, or a step through the history. */
export const changeRequestSchema = z.object({
  requestId: z.string(),
  step: z.enum(["undo", "redo"]).optional(),
  command: z.unknown().optional(),
});

/** Sends a command, or a step through the history, and answers how it came out. */
export type Change = (what: Command | HistoryStep) => Promise<Outcome>;

/** Sends a command of the course that is open and answers how it came out. */
export function useChange(): Change {
  const submit = useSubmit();
  const { slot = "" } = useParams();
  return useCallback(
    (what) => {
      const requestId = crypto.randomUUID();
      const outcome = expectOutcome(requestId);
      const body = typeof what === "string" ? { requestId, step: what } : { requestId, command: what };
      void submit(JSON.stringify(body), {
        action: `/courses/${slot}/change`,
        method: "post",
        encType: "application/json",
        navigate: false,
        fetcherKey: requestId,
      });
      return outcome;
    },
    [submit, slot],
  );
}
