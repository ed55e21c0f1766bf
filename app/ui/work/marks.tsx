import { PLAIN_NOTE_COLOUR, STRIKE_COLOUR } from "../colours";
import type { Box } from "./text-map";
import type { EvidenceTarget, Held, ShownNote } from "./types";

/** Where a note stands on its page; no boxes when its page is not drawn or its passage is lost. */
export interface Anchor {
  readonly page: number;
  readonly boxes: readonly Box[];
  readonly lost: boolean;
}

export const noteColour = (note: ShownNote, criteria: readonly EvidenceTarget[]): string =>
  criteria.find((criterion) => criterion.id === note.criterionId)?.colour ??
  (note.mark === "strikeout" ? STRIKE_COLOUR : PLAIN_NOTE_COLOUR);

interface MarksProps {
  readonly page: number;
  readonly notes: readonly ShownNote[];
  readonly anchors: ReadonlyMap<string, Anchor>;
  readonly criteria: readonly EvidenceTarget[];
  readonly chosen: string | null;
  readonly held: { readonly kind: Held["kind"]; readonly boxes: readonly Box[] } | null;
}

/** Highlights, strike-outs and pins of one page. They lie over the text but let the pointer through to it. */
export function Marks({ page, notes, anchors, criteria, chosen, held }: MarksProps) {
  return (
    // No stacking context here: the washes must blend with the page below, so that its words stay dark.
    <div aria-hidden="true" className="pointer-events-none absolute inset-0">
      {notes.flatMap((note) => {
        const anchor = anchors.get(note.id);
        if (anchor?.page !== page) return [];
        const colour = noteColour(note, criteria);
        return anchor.boxes.map((box, index) => (
          <MarkPiece
            key={`${note.id}-${String(index)}`}
            note={note}
            box={box}
            colour={colour}
            chosen={note.id === chosen}
          />
        ));
      })}
      {held?.boxes.map((box, index) =>
        held.kind === "pin" ? (
          <Pin key={index} box={box} colour="#22263a" chosen />
        ) : (
          <span key={index} className="absolute bg-[#f0d78a]/60 mix-blend-multiply" style={place(box)} />
        ),
      )}
    </div>
  );
}

const percent = (share: number) => `${String(share * 100)}%`;
const place = (box: Box) => ({
  left: percent(box.x),
  top: percent(box.y),
  width: percent(box.width),
  height: percent(box.height),
});

interface PieceProps {
  readonly note: ShownNote;
  readonly box: Box;
  readonly colour: string;
  readonly chosen: boolean;
}

function MarkPiece({ note, box, colour, chosen }: PieceProps) {
  if (note.mark === "pin") return <Pin box={box} colour={colour} chosen={chosen} />;
  if (note.mark === "strikeout") {
    return (
      <span className="absolute" style={place(box)}>
        <span className="absolute inset-x-0 top-[52%] h-[2px]" style={{ background: STRIKE_COLOUR }} />
      </span>
    );
  }
  const wash = `color-mix(in srgb, ${colour} ${chosen ? "42" : "24"}%, transparent)`;
  return (
    <span
      className="absolute mix-blend-multiply"
      style={{ ...place(box), background: wash, borderBottom: `2px solid ${colour}` }}
    />
  );
}

function Pin({ box, colour, chosen }: Omit<PieceProps, "note">) {
  return (
    <svg
      viewBox="0 0 20 26"
      className="absolute h-[26px] w-5 -translate-x-1/2 -translate-y-full"
      style={{ left: percent(box.x), top: percent(box.y) }}
    >
      <path
        d="M10 25C8 19 2.500 15 2.500 9.500a7.500 7.500 0 0 1 15 0C17.500 15 12 19 10 25z"
        fill="#fff"
        stroke={colour}
        strokeWidth={chosen ? 3 : 2}
      />
      <circle cx="10" cy="9.500" r="3" fill={colour} />
    </svg>
  );
}
