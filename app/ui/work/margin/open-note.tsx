import { Trash2 } from "lucide-react";
import type { KeyboardEvent } from "react";
import { NOTE_COLOURS } from "#core/model";
import { NOTE_COLOUR } from "../../colours";
import { DraftField } from "../../fields/draft-field";
import { clampShare } from "../marks/turn";
import type { EvidenceTarget, NoteActions, ShownNote } from "../types";
import { keyOf } from "../../keys/key-of";
import { actOn } from "../../keys/use-keys";

/** How far Alt and an arrow move a remark, in shares of the page. */
const STEP = 0.01;

export function OpenNote({
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
    // oxlint-disable-next-line jsx-a11y/no-static-element-interactions
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
        <EvidenceFor {...{ note, criteria, actions }} />
        <span className="mx-1 h-4 border-s border-rule" />
        <Colours {...{ note, actions }} />
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

type OfNote = { readonly note: ShownNote; readonly actions: NoteActions };

/** Which criterion the note is evidence for. */
function EvidenceFor({ note, criteria, actions }: OfNote & { readonly criteria: readonly EvidenceTarget[] }) {
  return (
    <>
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
    </>
  );
}

function Colours({ note, actions }: OfNote) {
  return (
    <>
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
    </>
  );
}
