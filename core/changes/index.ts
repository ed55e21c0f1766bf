export { type Change, type ChangeIssue, type ChangeResult, type Context } from "./engine/change";
export {
  brokenLink,
  CHAIN_START,
  chainSum,
  chainSums,
  chainText,
  isFullPiece,
  newChain,
  piecesOf,
  placeOfSeal,
  sealDigits,
  type Chain,
  type ChainPiece,
  type SumOf,
} from "./engine/chain";
export { entryAndComment, entryText } from "./commands/scoring/entry-text";
export {
  advance,
  EMPTY_HISTORY,
  ENTRY_SCHEMA,
  entrySchema,
  newestOf,
  prepareStep,
  type Entry,
  type History,
  type HistoryStep,
} from "./engine/history";
export { checkedAfter, remediesFor, type Remedy } from "./effects/leak-check";
export { classFiguresGiven } from "./past/class-history";
export { leakReport, tellsSomething, type Checked } from "./effects/leak-report";
export { totalsHistory } from "./past/totals-history";
export { stateAt } from "./past/state-at";
export { bridgeBetween } from "./engine/bridge";
export { applyPatches, applyTo, invertPatches, type Patch } from "./engine/patch";
export { provenancesFrom } from "./past/provenance";
export {
  changeInSteps,
  isStepped,
  parseCommand,
  prepareChange,
  runCommand,
  runInSteps,
  type Command,
} from "./engine/registry";
export { copiedFields, judgedPapers } from "./commands/plan/assignments";
export { planFrom } from "./commands/plan/copy-plan";
export { blankCells, previewCells, type CellPreview, type EntryCell } from "./commands/scoring/enter-scores";
export { keyEffects } from "./effects/key-effects";
export { notesToCarry } from "./commands/collect/attempts";
export { phrasesOf, type CountedPhrase } from "./commands/notes/phrases";
export { judgingOrders } from "./past/judging-orders";
export { scoringsOf } from "./past/scorings";
export { previewEntry } from "./commands/scoring/typed-entry";
export { rubricEffects } from "./commands/plan/rubrics";
export { isUndone, prepareUndoOf } from "./engine/undo-one";
export { readPileLine } from "./commands/scoring/pile";
export { paperHistory } from "./past/paper-history";
