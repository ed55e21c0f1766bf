export { type Change, type ChangeIssue, type ChangeResult, type Context } from "./engine/change";
export { entryAndComment, entryText } from "./commands/scoring/entry-text";
export {
  advance,
  EMPTY_HISTORY,
  ENTRY_SCHEMA,
  entrySchema,
  prepareStep,
  type Entry,
  type History,
  type HistoryStep,
} from "./engine/history";
export { checkedAfter, remediesFor, type Remedy } from "./effects/leak-check";
export { classFiguresGiven } from "./past/class-history";
export { leakReport, tellsSomething, type Checked } from "./effects/leak-report";
export { observationsOf, totalsHistory } from "./past/totals-history";
export type { StateThen } from "./past/states-after";
export { stateAt } from "./past/state-at";
export { bridgeBetween } from "./engine/bridge";
export { applyPatches, invertPatches, type Patch } from "./engine/patch";
export { provenancesFrom } from "./past/provenance";
export { parseCommand, prepareChange, runCommand, type Command, type CommandType } from "./engine/registry";
export { copiedFields, judgedPapers } from "./commands/plan/assignments";
export { planFrom, type CoursePlanCopy } from "./commands/plan/copy-plan";
export { blankCells, previewCells, type CellPreview, type EntryCell } from "./commands/scoring/enter-scores";
export { keyEffects, type KeyEffect } from "./effects/key-effects";
export { notesToCarry } from "./commands/collect/attempts";
export { phrasesOf, type CountedPhrase } from "./commands/notes/phrases";
export { judgingOrder } from "./past/judging-order";
export { previewEntry } from "./commands/scoring/typed-entry";
export { rubricEffects, type RubricEffect } from "./commands/plan/rubrics";
export { isUndone, prepareUndoOf } from "./engine/undo-one";
export { readPileLine, type PileLine } from "./commands/scoring/pile";
export { paperHistory, type PaperEvent } from "./past/paper-history";
