import { useId, useState, type SubmitEvent } from "react";

/** A field that takes up a passage of the work by its words: the keyboard's way of selecting. */
export function FindPassage({
  onFind,
  onClose,
}: {
  /** Answers whether the words stand in the work. */
  readonly onFind: (words: string) => Promise<boolean>;
  readonly onClose: () => void;
}) {
  const id = useId();
  const [words, setWords] = useState("");
  const [missed, setMissed] = useState(false);
  const submit = async (event: SubmitEvent) => {
    event.preventDefault();
    if (words.trim() !== "") setMissed(!(await onFind(words)));
  };
  return (
    <form
      className="absolute top-3 left-1/2 z-30 w-96 -translate-x-1/2 rounded border border-rule bg-sheet p-2 shadow-lg"
      onSubmit={(event) => void submit(event)}
    >
      <label htmlFor={id} className="text-[13px] text-soft">
        Take up a passage: its words, then Enter
      </label>
      <input
        id={id}
        className="field mt-0.5"
        autoFocus
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          setMissed(false);
        }}
        onKeyDown={(event) => {
          if (event.key !== "Escape") return;
          event.stopPropagation();
          onClose();
        }}
      />
      {missed && (
        <p role="alert" className="mt-1 text-[13px] text-wax">
          These words do not stand in the work as one passage.
        </p>
      )}
    </form>
  );
}
