import type { Piece, PieceId } from "#core/collect";
import type { Instant } from "#core/kernel";
import { fileId } from "./builders";

/** A PDF of three pages that came in under this name, on 23 October. */
export const makePiece = (name: string, more: Partial<Piece> = {}): Piece => ({
  id: `piece:${name}` as PieceId,
  order: 0,
  source: "dropped",
  path: `dropped/${name}`,
  letter: null,
  file: { id: fileId(name), name, mediaType: "application/pdf", size: 10 },
  sum: name,
  at: "2026-10-23T10:00:00Z" as Instant,
  pages: 3,
  words: null,
  beginning: "",
  author: "",
  senderAddress: "",
  senderName: "",
  isCut: false,
  pileId: null,
  code: "",
  assignmentId: null,
  scan: [],
  trouble: null,
  decision: null,
  ...more,
});
