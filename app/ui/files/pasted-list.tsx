import type { ReactNode } from "react";
import { AsYouLeftIt } from "../fields/as-you-left-it";
import { FileButton } from "./file-button";
import { readText } from "./read-text";

interface PastedListProps {
  readonly label: string;
  readonly placeholder: string;
  readonly text: string;
  readonly onText: (text: string) => void;
  /** It was found as it was left, and nothing was typed since. */
  readonly isLeft: boolean;
  readonly onClear: () => void;
  /** What can be done with it. */
  readonly children: ReactNode;
}

/** A list that is pasted, typed, or opened as a CSV file. */
export function PastedList({ label, placeholder, text, onText, isLeft, onClear, children }: PastedListProps) {
  return (
    <>
      <textarea
        aria-label={label}
        className="field mt-3 field-sizing-content max-h-80 min-h-28 font-mono text-[13px]"
        spellCheck={false}
        placeholder={placeholder}
        value={text}
        onChange={(event) => {
          onText(event.target.value);
        }}
      />
      {isLeft && <AsYouLeftIt onClear={onClear} />}
      <div className="mt-2 flex items-center gap-4">
        <FileButton
          words="Open a CSV file"
          kind="table"
          look="link text-[14.5px]"
          onFiles={([file]) => {
            if (file) void readText(file).then(onText);
          }}
        />
        {children}
      </div>
    </>
  );
}
