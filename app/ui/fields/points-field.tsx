import { useEffect, useRef, useState } from "react";
import type { ChangeResult } from "#core/changes";
import { readTextDraft, useDraftPlace } from "./drafts";
import { isWindowLeft } from "../keys/typing";
import { canConfirm, issueWords } from "../words/words";
import { inMark } from "../words/figures";

interface PointsFieldProps {
  /** Whose points they are: under this they lie among the drafts while they are not kept. */
  readonly place: string;
  readonly label: string;
  readonly value: string;
  readonly onKeep: (text: string, confirmed: boolean) => Promise<ChangeResult>;
  /** Whether something was kept. */
  readonly onDone: (kept: boolean) => void;
}

/** A small field for points. Enter keeps; an unusual value is asked once and kept on the second Enter. */
export function PointsField({ place, label, value: points, onKeep, onDone }: PointsFieldProps) {
  const value = inMark(points);
  const field = useRef<HTMLInputElement>(null);
  const at = useDraftPlace(place);
  const [text, setText] = useState(() => readTextDraft(at.found()?.value) ?? value);
  const [trouble, setTrouble] = useState<{ readonly words: string; readonly asked: string | null } | null>(null);
  useEffect(() => {
    field.current?.select();
  }, []);
  const isLeft = useRef(false);
  const leave = (kept: boolean) => {
    // Going on to the next field takes the focus away from here, which is no second leaving.
    if (isLeft.current) return;
    isLeft.current = true;
    at.drop();
    onDone(kept);
  };
  const keep = async () => {
    if (text.trim() === "" || text === value) {
      leave(false);
      return;
    }
    const outcome = await onKeep(text, trouble?.asked === text);
    if (outcome.ok || outcome.issue.code === "nothing_to_change") leave(true);
    else setTrouble({ words: issueWords(outcome.issue), asked: canConfirm(outcome.issue) ? text : null });
  };
  return (
    <span className="relative inline-block">
      <input
        ref={field}
        aria-label={label}
        aria-invalid={trouble !== null}
        inputMode="decimal"
        className="figures h-7 w-20 rounded border border-ink bg-sheet px-1.5 text-right font-semibold"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          at.put(event.target.value, value);
          setTrouble(null);
        }}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Enter") void keep();
          if (event.key === "Escape") leave(false);
        }}
        onBlur={(event) => {
          if (!trouble && !isWindowLeft(event.currentTarget)) void keep();
        }}
      />
      {trouble && (
        <span
          role="alert"
          className="absolute top-full right-0 z-40 mt-1 w-64 rounded bg-tip px-2 py-1 text-left text-[13px] whitespace-normal text-on-tip"
        >
          {trouble.words}
        </span>
      )}
    </span>
  );
}

/** What was typed into a points field and never kept; opens the field again. Nothing where there is none. */
export function LeftPoints({ place, onOpen }: { readonly place: string; readonly onOpen: () => void }) {
  const text = readTextDraft(useDraftPlace(place).found()?.value);
  if (text === null) return null;
  return (
    <button type="button" className="me-1 rounded px-1 text-[13.5px] text-ochre hover:bg-table" onClick={onOpen}>
      {text}, as you left it
    </button>
  );
}
