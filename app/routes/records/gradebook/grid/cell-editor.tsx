import { useEffect, useImperativeHandle, useRef, useState, type Ref } from "react";
import { isWindowLeft } from "../../../../ui/keys/typing";
import type { EntryHint } from "../entries/hint";
import { useLatest } from "../../../../ui/hooks/use-latest";

/** Where the marked cell goes after an entry. */
export type Leave = "down" | "up" | "right" | "left" | "stay";

/** What the grid may ask of the field it holds. */
export interface CellEditorHandle {
  /** Keeps what is typed; what cannot be kept as it is stays at its cell, in sight. */
  readonly settle: () => void;
  readonly focus: () => void;
}

interface CellEditorProps {
  readonly handle: Ref<CellEditorHandle>;
  readonly label: string;
  readonly start: string;
  readonly seen: string;
  readonly hint: (text: string) => EntryHint;
  /** Every letter, so that it outlives the page. */
  readonly onType: (text: string) => void;
  /** Keeps an entry; the cell is left. */
  readonly onKeep: (text: string, confirmed: boolean, leave: Leave) => void;
  /** The cell is left with what is refused, or asked about: it is not kept, and not lost. */
  readonly onUnkept: (text: string, words: string) => void;
  readonly onCancel: () => void;
  /** The field goes out of view with what is typed in it: nothing typed is lost by scrolling. */
  readonly onAway: (text: string) => void;
}

const LEAVES: Readonly<Record<string, Leave>> = { Enter: "down", Tab: "right", ArrowDown: "down", ArrowUp: "up" };

/** The field of the cell that is typed in. It holds its own text, so that a key draws nothing but itself and its hint. */
export function CellEditor(props: CellEditorProps) {
  const { handle, label, start, seen, hint, onType, onKeep, onUnkept, onCancel, onAway } = props;
  const [text, setText] = useState(start);
  const [asked, setAsked] = useState<string | null>(null);
  // The field's blur comes after the key that closed it; what was kept once must not be sent again.
  const done = useRef(false);
  const field = useRef<HTMLInputElement>(null);
  const told = text.trim() === "" ? null : hint(text);

  /** Only a key answers a question: leaving by the pointer must not count as the second Enter. */
  const keep = (leave: Leave, byKey: boolean): void => {
    if (done.current) return;
    const unchanged = text.trim() === seen;
    const now = unchanged ? null : hint(text);
    const isAnswered = byKey && now?.asks === true && asked === text;
    if (now?.refused && !isAnswered) {
      if (byKey) {
        setAsked(now.asks ? text : null);
        return;
      }
      done.current = true;
      onUnkept(text, now.reason);
      return;
    }
    done.current = true;
    onKeep(unchanged ? seen : text, now?.asks ?? false, leave);
  };
  useImperativeHandle(handle, () => ({
    settle: () => {
      keep("stay", false);
    },
    focus: () => field.current?.focus(),
  }));

  const goAway = useLatest(() => {
    onAway(text);
  });
  useEffect(
    () => () => {
      if (!done.current) goAway();
    },
    [goAway],
  );

  return (
    <>
      <input
        ref={field}
        aria-label={label}
        aria-invalid={told?.refused ?? false}
        aria-describedby="entry-hint"
        autoFocus
        className="absolute inset-0 z-10 bg-sheet pe-2.5 text-right font-semibold outline-2 outline-offset-[-2px] outline-ink"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAsked(null);
          onType(event.target.value);
        }}
        onKeyDown={(event) => {
          const leave = LEAVES[event.key];
          if (event.key === "Escape") {
            done.current = true;
            onCancel();
          } else if (leave === "down" && event.key === "Enter") keep(event.shiftKey ? "up" : "down", true);
          else if (leave === "right") keep(event.shiftKey ? "left" : "right", true);
          else if (leave) keep(leave, true);
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
        onBlur={(event) => {
          if (!isWindowLeft(event.currentTarget)) keep("stay", false);
        }}
      />
      {/* Above the field: the cells one types in next lie below it and at its right. */}
      {told && <EntryHintBox told={told} />}
    </>
  );
}

function EntryHintBox({ told }: { readonly told: EntryHint }) {
  return (
    <span
      id="entry-hint"
      role={told.refused ? "alert" : "status"}
      className={`pointer-events-none absolute right-0 bottom-full z-30 mb-1 rounded bg-tip px-2.5 py-1 text-left text-[13px] leading-snug text-on-tip ${told.refused ? "w-64" : "w-max max-w-80"}`}
    >
      {told.words}
    </span>
  );
}
