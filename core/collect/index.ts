export type { Evidence, EvidencePlace } from "./evidence";
export { handInsOf, placePieces, type HandInToTake, type TimeTaken } from "./hand-ins";
export { matchPieces } from "./match";
export type { Doubt, Match } from "./match-types";
export { filesOut, whichLeft, type FileOut } from "./marked-outside";
export { takenFiles } from "./taken-files";
export { outlooksOf, type Outlook } from "./outlook";
export { BEGINNING_LENGTH, pieceSchema, type Decision, type Piece, type PieceId, type PieceTraits } from "./piece";
