import { useMemo, useState } from "react";
import { untilTakenIn } from "../../hooks/under-way";
import type { NoteActions, ShownNote } from "../types";

/** A note just put down: it is written in at once, while the course is still taking it in. */
interface Composing {
  readonly note: ShownNote;
  readonly added: Promise<string | null>;
  /** Its id in the course, once it has one. */
  readonly noteId: string | null;
}

const COMPOSING_ID = "note:composing" as ShownNote["id"];

/**
 * Keeps the field of a new note open and in focus from the moment it is put down, so that no key that is typed into it
 * goes astray. Its words wait for the note to be taken in.
 */
export function useComposing(notes: readonly ShownNote[], actions: NoteActions | null) {
  const [composing, setComposing] = useState<Composing | null>(null);

  const begin = (draft: Parameters<NoteActions["add"]>[0]) => {
    if (!actions) return;
    const added = actions.add(draft);
    setComposing({ note: { colour: null, ...draft, id: COMPOSING_ID, body: "" }, added, noteId: null });
    void added.then((noteId) => {
      setComposing((now) => (now?.added !== added ? now : noteId === null ? null : { ...now, noteId }));
    });
  };

  const shown = useMemo(() => {
    if (!composing) return notes;
    const real = notes.find((note) => note.id === composing.noteId);
    const others = notes.filter((note) => note !== real);
    return [...others, { ...(real ?? composing.note), id: COMPOSING_ID }];
  }, [notes, composing]);

  const realId = async (noteId: ShownNote["id"]): Promise<ShownNote["id"] | null> =>
    noteId === COMPOSING_ID && composing ? ((await composing.added) as ShownNote["id"] | null) : noteId;

  const wrapped: NoteActions | null = actions && {
    ...actions,
    write: (noteId, body, seen) => untilTakenIn(realId(noteId).then((id) => actions.write(id ?? noteId, body, seen))),
    link: (noteId, criterionId) =>
      void realId(noteId).then((id) => {
        if (id) actions.link(id, criterionId);
      }),
    colour: (noteId, colour) =>
      void realId(noteId).then((id) => {
        if (id) actions.colour(id, colour);
      }),
    move: (noteId, target) => realId(noteId).then((id) => actions.move(id ?? noteId, target)),
    remove: (noteId) =>
      void realId(noteId).then((id) => {
        setComposing(null);
        if (id) actions.remove(id);
      }),
  };

  return {
    shown,
    begin,
    actions: wrapped,
    composingId: composing ? COMPOSING_ID : null,
    end: () => {
      setComposing(null);
    },
  };
}
