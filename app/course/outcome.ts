import type { Change, ChangeIssue, Command, HistoryStep } from "#core/changes";
import type { Result } from "#core/kernel";

/** How a change came out: what was done, or why it was refused. */
export type Outcome = Result<Change, ChangeIssue>;

/** What a session can be asked: a command, or a step through the history. */
export type Wish = Command | HistoryStep;
