export type { Evidence, EvidencePlace } from "./evidence";
export { matchPieces } from "./match";
export type { Doubt, Match, MatchingGround } from "./match-types";
export {
  BEGINNING_LENGTH,
  pieceSchema,
  type Decision,
  type Piece,
  type PieceId,
  type PieceTraits,
  type PieceTrouble,
} from "./piece";
