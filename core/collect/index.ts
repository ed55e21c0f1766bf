export type { Evidence, EvidencePlace } from "./evidence";
export { handInsOf, placePieces, type HandInToTake, type TimeTaken } from "./hand-ins";
export { matchPieces } from "./match";
export type { Doubt, Match } from "./match-types";
export { filesOut, whichLeft, type FileOut } from "./marked-outside";
export { takenFiles, waitingPieces } from "./taken-files";
export { outlooksOf, type Outlook } from "./outlook";
export { BEGINNING_LENGTH, pieceSchema, type Decision, type Piece, type PieceId, type PieceTraits } from "./piece";
export { codeSaid, type CodeSaid } from "./paper/code-book";
export { codeInClear, paperCodeText, readPaperCode } from "./paper/paper-code";
export {
  cutAtCodes,
  cutEvery,
  laidOut,
  papersOf,
  remarksOf,
  turnedOn,
  usualPages,
  type LaidPage,
  type PaperOfPile,
  type PaperPage,
  type PileRemark,
} from "./paper/cut-scan";
export { type ScanPage, type SeenPage, type Turn } from "./paper/scan-page";
export { coversOf, type Cover } from "./paper/covers";
export { partedBy } from "./destination";
