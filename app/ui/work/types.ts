import type { ChangeResult } from "#core/changes";
import type { Note, NoteColour, NoteMark, Passage, Stroke } from "#core/model";

/** A criterion as far as notes need it. */
export interface EvidenceTarget {
  readonly id: NonNullable<Note["criterionId"]>;
  readonly name: string;
  readonly colour: string;
}

/** A note as it is drawn; the student's copy knows no author and no time. */
export type ShownNote = Pick<Note, "id" | "mark" | "target" | "criterionId" | "colour" | "body">;

type PinTarget = Extract<Note["target"], { kind: "point" }>;

/** What the person holds: a passage that was selected or found, or a pin not yet set. */
export type Held =
  | { readonly kind: "passage"; readonly passage: Passage }
  | { readonly kind: "pin"; readonly pin: PinTarget };

/** Remarks that are put down with one key on what is held. */
export type HeldMark = Exclude<NoteMark, "ink">;

/** What can be done to the notes of a paper; left out where the work is only read. */
export interface NoteActions {
  readonly add: (note: {
    readonly mark: Note["mark"];
    readonly target: Note["target"];
    readonly criterionId: Note["criterionId"];
    readonly colour?: NoteColour | null;
  }) => Promise<string | null>;
  readonly write: (noteId: Note["id"], body: string, seen: string) => Promise<ChangeResult>;
  readonly link: (noteId: Note["id"], criterionId: Note["criterionId"]) => void;
  readonly colour: (noteId: Note["id"], colour: NoteColour | null) => void;
  /** Another place for a note, or what the eraser left of its strokes. */
  readonly move: (noteId: Note["id"], target: Note["target"]) => Promise<ChangeResult>;
  /** Another stroke of the pen on a page. */
  readonly draw: (page: number, colour: NoteColour, stroke: Stroke) => void;
  readonly remove: (noteId: Note["id"]) => void;
}

/** What the pen does; null while it lies aside. */
export interface Pen {
  readonly tool: "draw" | "erase";
  readonly colour: NoteColour;
}

/** A page of the work that stands on the screen. */
export interface PageHandle {
  readonly number: number;
  readonly element: HTMLElement;
  /** The element whose text is counted; null while the page is not drawn. */
  readonly textRoot: HTMLElement | null;
}
