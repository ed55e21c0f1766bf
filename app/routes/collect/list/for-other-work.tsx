import type { Piece } from "#core/collect";
import type { AssignmentId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { counted } from "#core/words";

/** What of the tray is for other work, by its codes or because a person put it there, with the way to it. */
export function ForOtherWork({
  state,
  elsewhere,
  onLook,
}: {
  readonly state: CourseState;
  readonly elsewhere: ReadonlyMap<AssignmentId, readonly Piece[]>;
  /** `source`: what all of them were dropped with; empty where they were not dropped together. */
  readonly onLook: (assignmentId: AssignmentId, source: string) => void;
}) {
  if (elsewhere.size === 0) return null;
  return (
    <ul aria-label="For other work" className="figures mt-4 text-[14px] text-soft">
      {[...elsewhere].map(([id, pieces]) => (
        <li key={id}>
          {counted(pieces.length, "piece")} for {state.assignments[id]?.name}{" "}
          <button
            type="button"
            className="link"
            onClick={() => {
              onLook(id, sourceOf(pieces));
            }}
          >
            Look at {pieces.length === 1 ? "it" : "them"}
          </button>
        </li>
      ))}
    </ul>
  );
}

function sourceOf(pieces: readonly Piece[]): string {
  const [source = "", ...more] = new Set(pieces.map((piece) => piece.source));
  return more.length > 0 ? "" : source;
}
