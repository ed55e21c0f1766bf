import { useCallback } from "react";
import { useParams, useSubmit } from "react-router";
import { expectOutcome, type Outcome, type Wish } from "./outcomes";

/** Sends a command, or a step through the history, and answers how it came out. */
export type Change = (what: Wish) => Promise<Outcome>;

/** Sends a command of the course that is open and answers how it came out. */
export function useChange(): Change {
  const submit = useSubmit();
  const { slot = "" } = useParams();
  return useCallback(
    (what) => {
      const requestId = crypto.randomUUID();
      const outcome = expectOutcome(requestId, what);
      void submit(null, {
        action: `/courses/${slot}/change?request=${requestId}`,
        method: "post",
        navigate: false,
        fetcherKey: requestId,
      });
      return outcome;
    },
    [submit, slot],
  );
}
