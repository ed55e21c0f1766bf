import type { AssignmentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { codeSaid } from "./paper/code-book";
import type { Piece } from "./piece";

/** The work that a piece is for by itself: where a person put it, else what its code says; null where neither tells. */
export function destinationOf(
  state: CourseState,
  { assignmentId, code }: Pick<Piece, "assignmentId" | "code">,
): AssignmentId | null {
  if (assignmentId && state.assignments[assignmentId]) return assignmentId;
  const said = code === "" ? null : codeSaid(state, code);
  const coded = said && "assignmentId" in said ? said.assignmentId : null;
  return coded && state.assignments[coded]?.channel !== "nothing" ? coded : null;
}

/** Pieces parted into those for an assignment and, by the work they are for, those for others. */
export function partedBy(
  state: CourseState,
  pieces: readonly Piece[],
  assignmentId: AssignmentId,
): { readonly here: readonly Piece[]; readonly elsewhere: ReadonlyMap<AssignmentId, readonly Piece[]> } {
  const elsewhere = new Map<AssignmentId, Piece[]>();
  const isPile = ({ decision }: Piece): boolean => decision?.kind === "cut";
  const papers = pieces.filter((piece) => {
    if (isPile(piece)) return false;
    const to = destinationOf(state, piece) ?? assignmentId;
    if (to !== assignmentId) elsewhere.set(to, [...(elsewhere.get(to) ?? []), piece]);
    return to === assignmentId;
  });
  // A pile lies where its papers do.
  const piles = new Set(papers.map(({ pileId }) => pileId));
  const own = new Set(papers);
  return { here: pieces.filter((piece) => (isPile(piece) ? piles.has(piece.id) : own.has(piece))), elsewhere };
}
