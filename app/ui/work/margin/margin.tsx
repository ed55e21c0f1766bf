import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { MARK_WORDS } from "#core/words";
import { noteColour, type Anchor } from "../marks/marks";
import type { EvidenceTarget, NoteActions, ShownNote } from "../types";
import { OpenNote } from "./open-note";

interface MarginProps {
  readonly notes: readonly ShownNote[];
  readonly anchors: ReadonlyMap<string, Anchor>;
  readonly criteria: readonly EvidenceTarget[];
  readonly chosen: string | null;
  readonly onChoose: (noteId: string | null) => void;
  readonly actions: NoteActions | null;
  /** The height of a place on a page, in pixels from the top of the margin. */
  readonly heightOf: (page: number, share: number) => number;
  /** Changes whenever heights may have changed. */
  readonly version: number;
}

/** Free space between two notes, in pixels. */
const GAP = 8;

/** What stands for a remark that needs no words. */
const WORDLESS: Readonly<Record<ShownNote["mark"], string>> = {
  highlight: "no words yet",
  strikeout: "no words yet",
  insertion: "what to insert is not written yet",
  pin: "no words yet",
  text: "nothing written yet",
  ink: "strokes of the pen",
  tick: "a tick",
  query: "a question mark",
};

/** The notes in the margin, each level with its place; where two would overlap, the lower one moves down. */
export function Margin({ notes, anchors, criteria, chosen, onChoose, actions, heightOf, version }: MarginProps) {
  const cards = useRef(new Map<string, HTMLElement>());
  const [tops, setTops] = useState<ReadonlyMap<string, number>>(new Map());
  const [resized, setResized] = useState(0);

  useLayoutEffect(() => {
    const wished = notes
      .map((note) => {
        const anchor = anchors.get(note.id);
        return { id: note.id, top: heightOf(anchor?.page ?? 1, anchor?.boxes[0]?.y ?? 0), x: anchor?.boxes[0]?.x ?? 0 };
      })
      .sort((a, b) => a.top - b.top || a.x - b.x);
    const next = new Map<string, number>();
    let free = 0;
    for (const { id, top } of wished) {
      const place = Math.max(top, free);
      next.set(id, place);
      free = place + (cards.current.get(id)?.offsetHeight ?? 40) + GAP;
    }
    // Heights are known only once the cards are drawn.
    // oxlint-disable-next-line react/set-state-in-effect
    setTops((before) =>
      [...next].every(([id, top]) => before.get(id) === top) && before.size === next.size ? before : next,
    );
  }, [notes, anchors, heightOf, version, resized, chosen]);

  useEffect(() => {
    if (chosen) cards.current.get(chosen)?.scrollIntoView({ block: "nearest" });
  }, [chosen]);

  useLayoutEffect(() => {
    const observer = new ResizeObserver(() => {
      setResized((now) => now + 1);
    });
    for (const card of cards.current.values()) observer.observe(card);
    return () => {
      observer.disconnect();
    };
  }, [notes]);

  return (
    <ul aria-label="Notes in the margin" className="relative w-full">
      {notes.map((note) => (
        <li
          key={note.id}
          ref={(element) => {
            if (element) cards.current.set(note.id, element);
            else cards.current.delete(note.id);
          }}
          className="absolute inset-x-0"
          style={{ top: tops.get(note.id) ?? 0 }}
        >
          <NoteCard
            note={note}
            criteria={criteria}
            lost={anchors.get(note.id)?.lost ?? false}
            open={chosen === note.id}
            onOpen={(open) => {
              onChoose(open ? note.id : null);
            }}
            actions={actions}
          />
        </li>
      ))}
    </ul>
  );
}

interface NoteCardProps {
  readonly note: ShownNote;
  readonly criteria: readonly EvidenceTarget[];
  readonly lost: boolean;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly actions: NoteActions | null;
}

function NoteCard({ note, criteria, lost, open, onOpen, actions }: NoteCardProps) {
  const criterion = criteria.find(({ id }) => id === note.criterionId);
  const title = criterion?.name ?? MARK_WORDS[note.mark];
  const quote = note.target.kind === "passage" ? note.target.exact : "";
  const colour = noteColour(note, criteria);
  return (
    <div
      className={`border-s-[3px] bg-paper px-2.5 py-1.5 text-[14px] leading-snug ${open ? "outline-1 outline-ink" : ""}`}
      style={{ borderColor: colour }}
      onFocus={() => {
        if (!open) onOpen(true);
      }}
    >
      {actions && open ? (
        <OpenNote
          note={note}
          criteria={criteria}
          actions={actions}
          title={title}
          onClose={() => {
            onOpen(false);
          }}
        />
      ) : (
        <button
          type="button"
          className="block w-full text-start"
          aria-label={`${title}: ${note.body || quote || WORDLESS[note.mark]}`}
          onClick={() => {
            onOpen(!open);
          }}
        >
          <span className="block text-[12.5px] text-soft">{title}</span>
          {note.body || (
            <span className="text-soft">
              {quote ? `“${quote.slice(0, 70)}${quote.length > 70 ? "..." : ""}”` : WORDLESS[note.mark]}
            </span>
          )}
        </button>
      )}
      {lost && (
        <p className="mt-1 text-[12.5px] text-wax">Its passage is not in this text any more: “{quote.slice(0, 80)}”</p>
      )}
    </div>
  );
}
