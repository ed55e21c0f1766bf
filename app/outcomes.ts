import type { Change, ChangeIssue } from "#core/changes";
import type { Result } from "#core/kernel";

export type Outcome = Result<Change, ChangeIssue>;

// An action's answer is lost when a second submission of the same key overtakes it; here none is lost, because each
// request waits for its own.
const waiting = new Map<string, (outcome: Outcome) => void>();

export function expectOutcome(requestId: string): Promise<Outcome> {
  return new Promise((resolve) => {
    waiting.set(requestId, resolve);
  });
}

export function deliverOutcome(requestId: string, outcome: Outcome): void {
  waiting.get(requestId)?.(outcome);
  waiting.delete(requestId);
}
