import { useMemo, useRef, useState, type KeyboardEvent } from "react";
import type { EntryCell } from "#core/changes";
import type { Assignment, CourseState } from "#core/model";
import { AsYouLeftIt } from "../../../ui/fields/as-you-left-it";
import { readTextDraft, useTyped } from "../../../ui/fields/drafts";
import { pileHint, pileReading } from "./rows";
import { Candidates, hintWords } from "./candidates";

interface PileFieldProps {
  readonly state: CourseState;
  readonly assignment: Assignment;
  /** Enters one cell; answers words of trouble, or null. */
  readonly onEnter: (cell: EntryCell, confirmed: boolean) => Promise<string | null>;
}

/** The line of pile entry: whom it may mean, what it asks, and its keys. */
function usePileLine({ state, assignment, onEnter }: PileFieldProps) {
  const typed = useTyped(`pile/${assignment.id}`, "", readTextDraft);
  const { value: line, set: setLine } = typed;
  const [picked, setPicked] = useState<number | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const reading = useMemo(() => pileReading(state, assignment, line), [state, assignment, line]);
  const { candidates, best, text, comment } = reading;
  const ambiguous = best > 1 && picked === null;
  const chosen = candidates[picked ?? 0];
  const hint = chosen ? pileHint(state, assignment, chosen, text) : null;

  const set = (next: string) => {
    setLine(next);
    setPicked(null);
    setAsked(null);
    setTrouble(null);
  };
  const enter = () => {
    if (!chosen || !hint || hint.refused) return;
    if (ambiguous) {
      setPicked(0);
      return;
    }
    const question = `${chosen.studentId} ${line}`;
    if (hint.asks && asked !== question) {
      setAsked(question);
      return;
    }
    const kept = line;
    set("");
    const cell: EntryCell = {
      assignmentId: assignment.id,
      studentId: chosen.studentId,
      text,
      seen: chosen.entered,
      ...(comment !== null && { comment }),
    };
    void onEnter(cell, hint.asks).then((words) => {
      if (words === null) return;
      // What was refused comes back into the field, unless the next line has begun.
      setLine((now) => (now === "" ? kept : now));
      setTrouble(`${kept}: ${words}`);
    });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") enter();
    else if (event.key === "ArrowDown")
      setPicked(Math.min(candidates.length - 1, picked === null ? (ambiguous ? 0 : 1) : picked + 1));
    else if (event.key === "ArrowUp") setPicked(Math.max(0, (picked ?? 0) - 1));
    else if (event.key === "Escape") set("");
    else return;
    event.preventDefault();
  };

  return { typed, line, set, reading, picked, setPicked, asked, trouble, ambiguous, chosen, hint, onKeyDown };
}

/** The one field of pile entry: part of a name, the score, Enter. The rest of the line is what it comes to. */
export function PileField({ state, assignment, onEnter }: PileFieldProps) {
  const field = useRef<HTMLInputElement>(null);
  const { typed, line, set, reading, picked, setPicked, asked, trouble, ambiguous, chosen, hint, onKeyDown } =
    usePileLine({ state, assignment, onEnter });
  const { candidates } = reading;
  return (
    <div className="mt-5">
      <label htmlFor="pile" className="text-[13px] text-soft">
        Part of a name or number, the score, Enter
      </label>
      <input
        id="pile"
        ref={field}
        autoFocus
        autoComplete="off"
        spellCheck={false}
        role="combobox"
        aria-expanded={candidates.length > 0}
        aria-controls="pile-candidates"
        aria-activedescendant={chosen && (picked !== null || !ambiguous) ? `pile-${chosen.studentId}` : undefined}
        aria-describedby="pile-hint"
        className="field figures mt-0.5 block !py-2 text-[20px]"
        placeholder="mor 18 l2"
        value={line}
        onChange={(event) => {
          set(event.target.value);
        }}
        onKeyDown={onKeyDown}
      />
      <p
        id="pile-hint"
        role="status"
        className={`mt-1.5 min-h-6 text-[15px] ${asked !== null || ambiguous ? "text-ochre" : "text-soft"}`}
      >
        {trouble ??
          reading.trouble ??
          hintWords({ line, found: candidates.length, ambiguous, hint: hint?.words ?? "" })}
      </p>
      {typed.isLeft && <AsYouLeftIt onClear={typed.clear} />}
      <Candidates
        reading={reading}
        marked={picked ?? (ambiguous ? -1 : 0)}
        onPick={(index) => {
          setPicked(index);
          field.current?.focus();
        }}
      />
    </div>
  );
}
