import { useState, type PointerEvent } from "react";
import { NOTE_COLOUR, PLAIN_NOTE_COLOUR, STRIKE_COLOUR } from "../../colours";
import { strokePath } from "./strokes";
import type { Box } from "../text/text-map";
import { clampShare, unturned, type Share, type Turn } from "./turn";
import type { EvidenceTarget, Held, ShownNote } from "../types";

/** Where a note stands on its page; no boxes when its page is not drawn or its passage is lost. */
export interface Anchor {
  readonly page: number;
  readonly boxes: readonly Box[];
  readonly lost: boolean;
  /** Height over width of the page as it stands. */
  readonly shape: number;
}

/** The colour of a remark: chosen by hand, of its criterion, or of its kind. */
export const noteColour = (note: ShownNote, criteria: readonly EvidenceTarget[]): string =>
  (note.colour && NOTE_COLOUR[note.colour]) ??
  criteria.find((criterion) => criterion.id === note.criterionId)?.colour ??
  KIND_COLOUR[note.mark];

const KIND_COLOUR: Readonly<Record<ShownNote["mark"], string>> = {
  highlight: PLAIN_NOTE_COLOUR,
  pin: PLAIN_NOTE_COLOUR,
  strikeout: STRIKE_COLOUR,
  insertion: STRIKE_COLOUR,
  text: NOTE_COLOUR.ink,
  ink: NOTE_COLOUR.ink,
  tick: NOTE_COLOUR.green,
  query: NOTE_COLOUR.ochre,
};

interface MarksProps {
  readonly page: number;
  readonly notes: readonly ShownNote[];
  readonly anchors: ReadonlyMap<string, Anchor>;
  readonly criteria: readonly EvidenceTarget[];
  readonly chosen: string | null;
  readonly turn: Turn;
  /** Where a remark at a point is to stand now, in shares of the unturned page; null where the work is only read. */
  readonly onMove: ((note: ShownNote, to: Share) => void) | null;
  readonly held: { readonly kind: Held["kind"]; readonly boxes: readonly Box[] } | null;
}

/** Highlights, strike-outs and pins of one page. They lie over the text but let the pointer through to it. */
export function Marks({ page, notes, anchors, criteria, chosen, turn, onMove, held }: MarksProps) {
  return (
    // No stacking context here: the washes must blend with the page below, so that its words stay dark.
    <div aria-hidden="true" className="pointer-events-none absolute inset-0">
      {notes.flatMap((note) => {
        const anchor = anchors.get(note.id);
        if (anchor?.page !== page) return [];
        const colour = noteColour(note, criteria);
        const own = { note, colour, chosen: note.id === chosen };
        if (note.target.kind === "strokes")
          return [<Strokes key={note.id} {...own} turn={turn} shape={anchor.shape} />];
        const last = anchor.boxes.at(-1);
        if (note.mark === "highlight" || note.mark === "strikeout") {
          return anchor.boxes.map((box, index) => <MarkPiece key={`${note.id}-${String(index)}`} {...own} box={box} />);
        }
        if (!last) return [];
        if (note.target.kind === "passage") return [<Sign key={note.id} {...own} box={afterOf(last)} />];
        return [<Movable key={note.id} {...own} box={last} turn={turn} onMove={onMove} />];
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

/** The end of a box, where a sign for its words stands. */
const afterOf = (box: Box): Box => ({ x: box.x + box.width, y: box.y, width: 0, height: box.height });

interface PieceProps {
  readonly note: ShownNote;
  readonly box: Box;
  readonly colour: string;
  readonly chosen: boolean;
}

/** A stretch of a highlight or a strike-out. */
function MarkPiece({ note, box, colour, chosen }: PieceProps) {
  if (note.mark === "strikeout") {
    return (
      <span data-note={note.id} className="absolute" style={place(box)}>
        <span className="absolute inset-x-0 top-[52%] h-[2px]" style={{ background: colour }} />
      </span>
    );
  }
  const wash = `color-mix(in srgb, ${colour} ${chosen ? "42" : "24"}%, transparent)`;
  return (
    <span
      data-note={note.id}
      className="absolute mix-blend-multiply"
      style={{ ...place(box), background: wash, borderBottom: `2px solid ${colour}` }}
    />
  );
}

/** A remark at a point. Dragged, it goes along and is kept where it is let go. */
function Movable({
  turn,
  onMove,
  ...own
}: PieceProps & { readonly turn: Turn; readonly onMove: MarksProps["onMove"] }) {
  const [at, setAt] = useState<Share | null>(null);
  const placeOf = (event: PointerEvent): Share | null => {
    const page = event.currentTarget.closest("[data-page]")?.getBoundingClientRect();
    return page
      ? {
          x: clampShare((event.clientX - page.left) / page.width),
          y: clampShare((event.clientY - page.top) / page.height),
        }
      : null;
  };
  return (
    <span
      data-remark={own.note.id}
      className={`absolute ${onMove ? "pointer-events-auto cursor-move touch-none" : ""}`}
      style={{ left: percent((at ?? own.box).x), top: percent((at ?? own.box).y) }}
      onPointerDown={(event) => {
        if (!onMove || event.button > 0) return;
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        setAt(own.box);
      }}
      onPointerMove={(event) => {
        if (at) setAt(placeOf(event));
      }}
      onPointerUp={(event) => {
        event.stopPropagation();
        const to = placeOf(event);
        setAt(null);
        if (at && to && onMove && (to.x !== own.box.x || to.y !== own.box.y)) onMove(own.note, unturned(to, turn));
      }}
    >
      <Sign {...own} box={{ x: 0, y: 0, width: 0, height: 0 }} />
    </span>
  );
}

/** The sign of a remark: a pin, words, a tick, a query, or the caret of an insertion. */
function Sign({ note, box, colour, chosen }: PieceProps) {
  const style = { left: percent(box.x), top: percent(box.y), color: colour };
  const ring = chosen ? "outline-1 outline-ink" : "";
  switch (note.mark) {
    case "text":
      return (
        <span
          className={`absolute w-max max-w-64 font-serif text-[calc(16px*var(--work-zoom,1))] leading-snug whitespace-pre-wrap ${ring}`}
          style={style}
        >
          {note.body || "…"}
        </span>
      );
    case "insertion":
      return (
        <span className="absolute" style={style}>
          <svg viewBox="0 0 12 10" className="absolute top-[calc(15px*var(--work-zoom,1))] h-2.5 w-3 -translate-x-1/2">
            <path d="M1 9L6 1L11 9" fill="none" stroke={colour} strokeWidth={chosen ? 3 : 2} />
          </svg>
        </span>
      );
    case "tick":
    case "query":
      return (
        <svg
          viewBox="0 0 24 24"
          className={`absolute size-6 -translate-y-1/2 ${note.target.kind === "point" ? "-translate-x-1/2" : ""} ${ring}`}
          style={style}
        >
          <path
            d={
              note.mark === "tick"
                ? "M4 13L9.500 19L20 5"
                : "M8 8.500a4 4 0 1 1 5.500 3.700c-1.300.6-1.500 1.300-1.500 2.800M12 19.200v.4"
            }
            fill="none"
            stroke={colour}
            strokeWidth="3"
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        </svg>
      );
    default:
      return <Pin box={box} colour={colour} chosen={chosen} />;
  }
}

/** What a pen wrote, drawn over the page at whatever size it stands. */
function Strokes({
  note,
  colour,
  chosen,
  turn,
  shape,
}: Omit<PieceProps, "box"> & { readonly turn: Turn; readonly shape: number }) {
  if (note.target.kind !== "strokes") return null;
  const height = 1000 * shape;
  return (
    <svg
      viewBox={`0 0 1000 ${String(height)}`}
      preserveAspectRatio="none"
      className="absolute inset-0 size-full"
      data-strokes={note.target.strokes.length}
    >
      {note.target.strokes.map((stroke, index) => (
        <path key={index} d={strokePath(stroke, 1000, height, turn)} fill={colour} opacity={chosen ? 1 : 0.85} />
      ))}
    </svg>
  );
}

function Pin({ box, colour, chosen }: Omit<PieceProps, "note">) {
  return (
    <svg
      aria-hidden="true"
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
