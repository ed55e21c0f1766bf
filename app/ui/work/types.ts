import type { Note, Passage } from "#core/model";
import type { Outcome } from "../../outcomes";

/** A criterion as far as notes need it. */
export interface EvidenceTarget {
  readonly id: NonNullable<Note["criterionId"]>;
  readonly name: string;
  readonly colour: string;
}

/** A note as it is drawn; the student's copy knows no author and no time. */
export type ShownNote = Pick<Note, "id" | "mark" | "target" | "criterionId" | "body">;

type PinTarget = Extract<Note["target"], { kind: "point" }>;

/** What the person holds: a passage that was selected or found, or a pin not yet set. */
export type Held =
  { readonly kind: "passage"; readonly passage: Passage } | { readonly kind: "pin"; readonly pin: PinTarget };

/** What can be done to the notes of a paper; left out where the work is only read. */
export interface NoteActions {
  readonly add: (note: {
    readonly mark: Note["mark"];
    readonly target: Note["target"];
    readonly criterionId: Note["criterionId"];
  }) => Promise<string | null>;
  readonly write: (noteId: Note["id"], body: string, seen: string) => Promise<Outcome>;
  readonly link: (noteId: Note["id"], criterionId: Note["criterionId"]) => void;
  readonly remove: (noteId: Note["id"]) => void;
}

/** A page of the work that stands on the screen. */
export interface PageHandle {
  readonly number: number;
  readonly element: HTMLElement;
  /** The element whose text is counted; null while the page is not drawn. */
  readonly textRoot: HTMLElement | null;
}
