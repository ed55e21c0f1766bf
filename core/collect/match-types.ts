import type { AssignmentId, StudentId } from "#core/kernel";
import type { Student } from "#core/model";
import type { Evidence } from "./evidence";
import type { CodeSaid } from "./paper/code-book";
import type { PieceId } from "./piece";
import type { Rated } from "./rate";

/** What keeps a match from being sure. */
export type Doubt =
  /** Nothing in it names anybody. */
  | { readonly kind: "namesNobody" }
  /** It speaks for others too. */
  | { readonly kind: "alsoFits"; readonly studentIds: readonly StudentId[] }
  /** Another whole name is the same but for a letter or two. */
  | { readonly kind: "almostNamed"; readonly studentIds: readonly StudentId[] }
  /** The code on it is none of a student for this assignment. */
  | { readonly kind: "codeElsewhere"; readonly said: CodeSaid }
  /** Other pieces want the same student. */
  | { readonly kind: "wantedToo"; readonly pieceIds: readonly PieceId[] };

/** A piece with the student it seems to belong to, and why. */
export interface Match {
  readonly pieceId: PieceId;
  /** `open`: for a person to decide. */
  readonly verdict: "sure" | "likely" | "open";
  /** Whom it is put to, or, where it is open, whom one would guess. */
  readonly studentId: StudentId | null;
  readonly evidence: readonly Evidence[];
  readonly doubts: readonly Doubt[];
  /** Pieces of one bundle are one hand-in: those of one letter, or of a folder that names a student. */
  readonly bundle: string;
}

/** What is known beside the pieces. */
export interface MatchingGround {
  readonly students: readonly Student[];
  /** Members of one group hand in once for all: evidence for a mate speaks against nobody. */
  readonly groupOf: (studentId: StudentId) => string | null;
  /** Pieces that a person has put to a student. */
  readonly decided: ReadonlyMap<PieceId, StudentId>;
  /** What the pieces are put to; a code of another assignment leads nowhere here. */
  readonly assignmentId: AssignmentId;
  /** Words that the pieces are likely to hold whoever wrote them: the assignment's name. */
  readonly title: string;
}

/** Nothing in the piece names anybody. */
export const nothingFound = ({ piece, bundle }: Pick<Rated, "piece" | "bundle">): Match => ({
  pieceId: piece.id,
  bundle,
  verdict: "open",
  studentId: null,
  evidence: [],
  doubts: [{ kind: "namesNobody" }],
});
