import { useRef, useState, type RefObject } from "react";
import type { EntryHint } from "../entries/hint";
import type { UnkeptEntries } from "../entries/unkept";
import type { CellEditorHandle } from "./cell-editor";
import { keyOfCell, type CellPlace } from "./selection";

/** The cell being typed in: what is typed, or was when it went out of view, and what stood there before. */
export interface Editing {
  readonly place: CellPlace;
  readonly start: string;
  readonly seen: string;
}

interface EntryProps {
  readonly unkept: UnkeptEntries;
  readonly hint: (place: CellPlace, text: string) => EntryHint;
  readonly entryAt: (place: CellPlace) => string;
  readonly onType: (place: CellPlace, text: string, seen: string) => void;
  readonly onEnter: (place: CellPlace, text: string, seen: string, confirmed: boolean) => void;
  readonly onLetGo: (places: readonly CellPlace[]) => void;
}

/** What is being typed into one cell of the grid. */
export interface CellEntry {
  readonly editing: Editing | null;
  readonly setEditing: (editing: Editing | null) => void;
  readonly editor: RefObject<CellEditorHandle | null>;
  /** Whether this cell is the one being typed in. */
  readonly isAt: (place: CellPlace) => boolean;
  readonly isUnkept: (place: CellPlace) => boolean;
  /** Begins to type into a cell; with nothing typed it opens what stands there. */
  readonly edit: (place: CellPlace, text: string) => void;
  /** Keeps what is being typed, wherever its field is; what cannot be kept stays at its cell. */
  readonly settle: () => void;
  /** Why an entry is not in the course; empty where there is none. */
  readonly whyOf: (place: CellPlace) => string;
}

export function useCellEntry({ unkept, hint, entryAt, onType, onEnter, onLetGo }: EntryProps): CellEntry {
  const [editing, setEditing] = useState<Editing | null>(null);
  const editor = useRef<CellEditorHandle>(null);
  const unkeptAt = ({ assignmentId, studentId }: CellPlace) => unkept.get(studentId)?.get(assignmentId) ?? null;
  return {
    editing,
    setEditing,
    editor,
    isAt: (place) => editing !== null && keyOfCell(place) === keyOfCell(editing.place),
    isUnkept: (place) => unkeptAt(place) !== null,
    edit: (place, text) => {
      const seen = entryAt(place);
      const start = text === "" ? (unkeptAt(place)?.text ?? seen) : text;
      if (text !== "") onType(place, text, seen);
      setEditing({ place, start, seen });
    },
    settle: () => {
      if (editing === null) return;
      if (editor.current) {
        editor.current.settle();
        return;
      }
      setEditing(null);
      if (editing.start.trim() === editing.seen) onLetGo([editing.place]);
      else onEnter(editing.place, editing.start, editing.seen, false);
    },
    whyOf: (place) => {
      const entry = unkeptAt(place);
      if (!entry) return "";
      const told = entry.words ?? hint(place, entry.text).reason;
      return told === ""
        ? "As you left it, not entered. Enter opens it, Escape lets it go."
        : `Not entered: ${told} Enter opens it, Escape lets it go.`;
    },
  };
}
