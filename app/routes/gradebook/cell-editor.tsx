import { useRef, useState } from "react";
import { useUnkept } from "../../ui/use-unkept";
import type { EntryHint } from "./hint";

/** Where the marked cell goes after an entry. */
export type Leave = "down" | "up" | "right" | "left" | "stay";

interface CellEditorProps {
  readonly label: string;
  readonly start: string;
  readonly seen: string;
  readonly above: boolean;
  readonly hint: (text: string) => EntryHint;
  /** Keeps an entry; the cell is left unless it is asked about or refused. */
  readonly onKeep: (text: string, confirmed: boolean, leave: Leave) => void;
  readonly onCancel: () => void;
}

const LEAVES: Readonly<Record<string, Leave>> = { Enter: "down", Tab: "right", ArrowDown: "down", ArrowUp: "up" };

/** The field of the cell that is typed in. It holds its own text, so that a key draws nothing but itself and its hint. */
export function CellEditor({ label, start, seen, above, hint, onKeep, onCancel }: CellEditorProps) {
  const [text, setText] = useState(start);
  const [asked, setAsked] = useState<string | null>(null);
  // The field's blur comes after the key that closed it; what was kept once must not be sent again.
  const done = useRef(false);
  useUnkept(text.trim() !== seen);
  const told = text.trim() === "" ? null : hint(text);

  const keep = (leave: Leave) => {
    if (done.current) return;
    if (text.trim() === seen) {
      done.current = true;
      onKeep(seen, false, leave);
      return;
    }
    const now = hint(text);
    if (now.refused && !(now.asks && asked === text)) {
      setAsked(now.asks ? text : null);
      return;
    }
    done.current = true;
    onKeep(text, now.asks, leave);
  };

  return (
    <>
      <input
        aria-label={label}
        aria-invalid={told?.refused ?? false}
        aria-describedby="entry-hint"
        autoFocus
        className="absolute inset-0 z-10 bg-sheet pe-2.5 text-right font-semibold outline-2 outline-offset-[-2px] outline-ink"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAsked(null);
        }}
        onKeyDown={(event) => {
          const leave = LEAVES[event.key];
          if (event.key === "Escape") {
            done.current = true;
            onCancel();
          } else if (leave === "down" && event.key === "Enter") keep(event.shiftKey ? "up" : "down");
          else if (leave === "right") keep(event.shiftKey ? "left" : "right");
          else if (leave) keep(leave);
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
        onBlur={() => {
          keep("stay");
        }}
      />
      {told && (
        <span
          id="entry-hint"
          role={told.refused ? "alert" : "status"}
          className={`absolute right-0 z-30 rounded bg-tip px-2.5 py-1 text-left text-[13px] leading-snug text-on-tip ${told.refused ? "w-64" : "w-max max-w-80"} ${above ? "bottom-full mb-1" : "top-full mt-1"}`}
        >
          {told.words}
        </span>
      )}
    </>
  );
}
