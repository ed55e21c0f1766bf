// Files chosen or dropped: react-dropzone, wrapped here and nowhere else.
import { useDropzone, type Accept, type DropzoneState } from "react-dropzone";

/** Kinds of files that a place takes, by media type and the endings that stand for it; left out, it takes any. */
export const KINDS = {
  table: { "text/csv": [".csv", ".tsv", ".txt"] },
  roster: { "text/csv": [".csv", ".tsv", ".txt"], "application/zip": [".zip"] },
  rubric: { "text/csv": [".csv"], "application/json": [".json"] },
  pdf: { "application/pdf": [".pdf"] },
  course: { "application/zip": [".zip"], "application/octet-stream": [".age"] },
} as const satisfies Readonly<Record<string, Readonly<Record<string, readonly string[]>>>>;
export type FileKind = keyof typeof KINDS;

const acceptOf = (kind: FileKind): Accept =>
  Object.fromEntries(Object.entries<readonly string[]>(KINDS[kind]).map(([type, endings]) => [type, [...endings]]));

interface FilesOptions {
  readonly kind?: FileKind | undefined;
  readonly multiple?: boolean;
  readonly disabled?: boolean;
  readonly onFiles: (files: File[]) => void;
}

/** Takes files in at one place; what is of another kind is handed on too, so that whoever reads it says what is wrong. */
export function useFiles({ kind, multiple = false, disabled = false, onFiles }: FilesOptions): DropzoneState {
  const zone = useDropzone({
    ...(kind && { accept: acceptOf(kind) }),
    multiple,
    disabled,
    noClick: true,
    noKeyboard: true,
    // A button inside a place takes its own.
    noDragEventsBubbling: true,
    // The root does it, for files alone: words are still dragged into a field.
    preventDropOnDocument: false,
    onDrop: (files, refused) => {
      const all = [...files, ...refused.map(({ file }) => file)];
      // The same file may be chosen again at once. A place without a button has no field, whatever the type says.
      const field = zone.inputRef.current as HTMLInputElement | null;
      if (field) field.value = "";
      if (all.length > 0) onFiles(multiple ? all : all.slice(0, 1));
    },
  });
  return zone;
}
