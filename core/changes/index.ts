export { type Change, type ChangeIssue, type Context } from "./change";
export { entryAndComment, entryText } from "./entry-text";
export {
  advance,
  EMPTY_HISTORY,
  ENTRY_SCHEMA,
  entrySchema,
  prepareStep,
  type Entry,
  type History,
  type HistoryStep,
} from "./history";
export { checkedAfter, remediesFor, type Remedy } from "./leak-check";
export { classFiguresGiven } from "./class-history";
export { leakReport, tellsSomething, type Checked } from "./leak-report";
export { observationsOf, totalsHistory } from "./totals-history";
export type { StateThen } from "./states-after";
export { stateAt } from "./state-at";
export { bridgeBetween } from "./bridge";
export { applyPatches, invertPatches, type Patch } from "./patch";
export { provenancesFrom } from "./provenance";
export { parseCommand, prepareChange, runCommand, type Command, type CommandType } from "./registry";
export { copiedFields, judgedPapers } from "./assignments";
export { planFrom, type CoursePlanCopy } from "./copy-plan";
export { blankCells, previewCells, type CellPreview, type EntryCell } from "./enter-scores";
export { keyEffects, type KeyEffect } from "./key-effects";
export { notesToCarry } from "./attempts";
export { phrasesOf, type CountedPhrase } from "./phrases";
export { judgingOrder } from "./judging-order";
export { previewEntry } from "./typed-entry";
export { rubricEffects, usesOf, type RubricEffect } from "./rubrics";
export { isUndone, prepareUndoOf } from "./undo-one";
export { readPileLine, type PileLine } from "./pile";
export { paperHistory, type PaperEvent } from "./paper-history";
