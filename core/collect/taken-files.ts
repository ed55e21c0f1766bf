import { keptBy, type FileId } from "#core/kernel";
import type { CourseState } from "#core/model";
import type { Piece } from "./piece";

/** Files that hand-ins of the course name: what was taken in. */
export const takenFiles = keptBy({
  owner: ({ handIns }: Pick<CourseState, "handIns">) => handIns,
  make: (_, { handIns }): ReadonlySet<FileId> =>
    new Set(
      Object.values(handIns).flatMap((cut) =>
        Object.values(cut).flatMap(({ attempts }) => attempts.flatMap(({ files }) => files.map(({ id }) => id))),
      ),
    ),
});

/** The pieces that wait to be taken in: without what a course has come to name, and without piles of which every paper has been. */
export function waitingPieces(pieces: readonly Piece[], isTaken: (file: FileId) => boolean): readonly Piece[] {
  const left = pieces.filter(({ file }) => !isTaken(file.id));
  const piles = new Set(left.map(({ pileId }) => pileId));
  return left.filter(({ id, decision }) => decision?.kind !== "cut" || piles.has(id));
}
