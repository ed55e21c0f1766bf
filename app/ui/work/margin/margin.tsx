import { Trash2 } from "lucide-react";
import { useEffect, useLayoutEffect, useRef, useState, type KeyboardEvent } from "react";
import { NOTE_COLOURS } from "#core/model";
import { MARK_WORDS } from "#core/words";
import { NOTE_COLOUR } from "../../colours";
import { DraftField } from "../../fields/draft-field";
import { noteColour, type Anchor } from "../marks/marks";
import { clampShare } from "../marks/turn";
import type { EvidenceTarget, NoteActions, ShownNote } from "../types";
import { keyOf } from "../../keys/key-of";
import { actOn } from "../../keys/use-keys";

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

/** How far Alt and an arrow move a remark, in shares of the page. */
const STEP = 0.01;

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
    // eslint-disable-next-line react-hooks/set-state-in-effect
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

function OpenNote({
  note,
  criteria,
  actions,
  title,
  onClose,
}: {
  readonly note: ShownNote;
  readonly criteria: readonly EvidenceTarget[];
  readonly actions: NoteActions;
  readonly title: string;
  readonly onClose: () => void;
}) {
  const onKeyDown = (event: KeyboardEvent) => {
    const { target } = note;
    if (target.kind !== "point") return;
    const by = (across: number, down: number) => () => {
      void actions.move(note.id, { ...target, x: clampShare(target.x + across), y: clampShare(target.y + down) });
    };
    const acts = {
      remarkLeft: by(-STEP, 0),
      remarkRight: by(STEP, 0),
      remarkUp: by(0, -STEP),
      remarkDown: by(0, STEP),
    };
    if (!actOn(keyOf("work", event.nativeEvent), acts)) return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    // Keys of the field and the buttons inside bubble up to here.
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions
    <div onKeyDown={onKeyDown}>
      <DraftField
        place={`note/${note.id}`}
        label={title}
        value={note.body}
        autoFocus
        placeholder="What to say here"
        onKeep={(text, seen) => actions.write(note.id, text, seen)}
        onDone={onClose}
      />
      <div className="mt-1.5 flex flex-wrap items-center gap-1">
        {criteria.map((criterion) => {
          const chosen = criterion.id === note.criterionId;
          return (
            <button
              key={criterion.id}
              type="button"
              aria-pressed={chosen}
              aria-label={chosen ? `No longer evidence for ${criterion.name}` : `Evidence for ${criterion.name}`}
              data-hint={criterion.name}
              className={`grid size-6 place-items-center rounded border ${chosen ? "border-ink" : "border-rule hover:border-soft"}`}
              onClick={() => {
                actions.link(note.id, chosen ? null : criterion.id);
              }}
            >
              <span aria-hidden="true" className="size-3 rounded-[3px]" style={{ background: criterion.colour }} />
            </button>
          );
        })}
        <span className="mx-1 h-4 border-s border-rule" />
        {NOTE_COLOURS.map((colour) => (
          <button
            key={colour}
            type="button"
            aria-pressed={note.colour === colour}
            aria-label={note.colour === colour ? "Its own colour again" : `In ${colour}`}
            data-hint={`In ${colour}`}
            className={`grid size-6 place-items-center rounded-full border ${note.colour === colour ? "border-ink" : "border-transparent hover:border-soft"}`}
            onClick={() => {
              actions.colour(note.id, note.colour === colour ? null : colour);
            }}
          >
            <span
              aria-hidden="true"
              className="size-3 rounded-full border border-rule"
              style={{ background: NOTE_COLOUR[colour] }}
            />
          </button>
        ))}
        <button
          type="button"
          aria-label="Delete this note"
          data-hint="Delete this note"
          className="ms-auto grid size-6 place-items-center rounded text-soft hover:text-wax"
          onClick={() => {
            onClose();
            actions.remove(note.id);
          }}
        >
          <Trash2 size={14} aria-hidden="true" />
        </button>
      </div>
    </div>
  );
}
