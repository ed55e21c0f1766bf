import { useFiles, type FileKind } from "./use-files";

/** A button that asks for files, and takes what is dropped on it; the same file may be chosen again. */
export function FileButton({
  words,
  kind,
  multiple = false,
  folder = false,
  disabled = false,
  look = "act",
  onFiles,
}: {
  readonly words: string;
  readonly kind?: FileKind;
  readonly multiple?: boolean;
  /** Asks for a folder with all that is in it. */
  readonly folder?: boolean;
  readonly disabled?: boolean;
  readonly look?: string;
  readonly onFiles: (files: File[]) => void;
}) {
  const { getRootProps, getInputProps, open, isDragActive } = useFiles({ kind, multiple, disabled, onFiles });
  return (
    <span {...getRootProps({ className: "inline-block" })}>
      <button
        type="button"
        disabled={disabled}
        className={`${look} ${isDragActive ? "outline-2 outline-offset-2 outline-green" : ""}`}
        onClick={open}
      >
        {words}
      </button>
      <input {...getInputProps({ "aria-label": words, hidden: true, ...(folder && { webkitdirectory: "" }) })} />
    </span>
  );
}
