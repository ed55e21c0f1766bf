import type { Command, HistoryStep } from "#core/changes";

/** What a session can be asked: a command, or a step through the history. */
export type Wish = Command | HistoryStep;
