/** A button that asks for a file; the same one may be chosen again. */
export function FileButton({
  words,
  accept,
  disabled,
  onFile,
}: {
  readonly words: string;
  readonly accept: string;
  readonly disabled: boolean;
  readonly onFile: (file: File) => void;
}) {
  return (
    <label className="act cursor-pointer focus-within:outline-2 focus-within:outline-offset-2 focus-within:outline-ink">
      {words}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        disabled={disabled}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
