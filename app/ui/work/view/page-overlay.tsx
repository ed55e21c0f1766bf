import type { Stroke } from "#core/model";
import { Marks, type Anchor } from "../marks/marks";
import { PassageTools } from "../marks/passage-tools";
import { PenSurface } from "../marks/pen-surface";
import type { Turn } from "../marks/turn";
import type { Box } from "../text/text-map";
import type { EvidenceTarget, Held, HeldMark, NoteActions, Pen, ShownNote } from "../types";

/** What can be done with what is held. */
export interface HeldTools {
  readonly onEvidence: (criterion: EvidenceTarget) => void;
  readonly onMark: (mark: HeldMark) => void;
  readonly onDrop: () => void;
}

interface PageOverlayProps {
  readonly page: number;
  readonly notes: readonly ShownNote[];
  readonly anchors: ReadonlyMap<string, Anchor>;
  readonly criteria: readonly EvidenceTarget[];
  readonly chosen: string | null;
  readonly turn: Turn;
  readonly held: Held | null;
  readonly heldBoxes: readonly Box[];
  readonly tools: HeldTools;
  readonly pen: Pen | null;
  /** Null where the work is only read. */
  readonly actions: NoteActions | null;
  readonly onMove: (note: ShownNote, target: ShownNote["target"]) => void;
}

/** What lies on one page of a work: the marks, the tools at what is held, and the pen while it is in hand. */
export function PageOverlay(props: PageOverlayProps) {
  const { page, notes, anchors, criteria, chosen, turn, held, heldBoxes, tools, pen, actions, onMove } = props;
  const isHeldHere = held !== null && heldPage(held) === page;
  return (
    <>
      <Marks
        page={page}
        notes={notes}
        anchors={anchors}
        criteria={criteria}
        chosen={chosen}
        turn={turn}
        onMove={
          actions &&
          ((note, to) => {
            if (note.target.kind === "point") onMove(note, { ...note.target, ...to });
          })
        }
        held={isHeldHere ? { kind: held.kind, boxes: heldBoxes } : null}
      />
      {isHeldHere && actions && <PassageTools held={held} boxes={heldBoxes} criteria={criteria} {...tools} />}
      {pen && actions && (
        <PenSurface
          pen={pen}
          turn={turn}
          drawn={notes.filter(({ mark, target }) => mark === "ink" && target.page === page)}
          onStroke={(stroke) => {
            actions.draw(page, pen.colour, stroke);
          }}
          onErase={(note, left) => {
            erase(actions, note, left);
          }}
        />
      )}
    </>
  );
}

function erase(actions: NoteActions, note: ShownNote, left: readonly Stroke[]): void {
  if (note.target.kind !== "strokes") return;
  if (left.length === 0) actions.remove(note.id);
  else void actions.move(note.id, { ...note.target, strokes: [...left] });
}

const heldPage = (held: Held): number => (held.kind === "pin" ? held.pin.page : held.passage.page);
