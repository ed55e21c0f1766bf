import { useId, useMemo, useState, type KeyboardEvent } from "react";
import type { StudentId } from "#core/kernel";
import { findStudents, rosterName, studentsOf, type CourseState } from "#core/model";

/** Names shown beside the field, to take by a click. */
const SHOWN = 4;

interface StudentFieldProps {
  readonly state: CourseState;
  readonly label: string;
  /** Whom Enter takes while nothing is typed. */
  readonly guess: { readonly studentId: StudentId; readonly name: string } | null;
  readonly autoFocus?: boolean;
  readonly onDecide: (studentId: StudentId) => void;
  /** Arrows go to the field above or below. */
  readonly onMove: (by: -1 | 1) => void;
  readonly onLeave?: () => void;
}

/** Takes part of a name or number; Enter takes who fits best, or, with nothing typed, the guess. */
export function StudentField({ state, label, guess, autoFocus, onDecide, onMove, onLeave }: StudentFieldProps) {
  const [text, setText] = useState("");
  const [isRefused, setRefused] = useState(false);
  const hint = useId();
  const found = useMemo(() => findStudents(studentsOf(state), text), [state, text]);
  const shown = found.students.slice(0, SHOWN).map((student) => ({ id: student.id, name: rosterName(state, student) }));
  const isAsked = text.trim() !== "";
  const only = found.best === 1 ? shown[0]?.id : undefined;
  const enter = () => {
    const taken = isAsked ? only : guess?.studentId;
    if (taken) onDecide(taken);
    else setRefused(true);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === "Enter") enter();
    else if (event.key === "ArrowDown") onMove(1);
    else if (event.key === "ArrowUp") onMove(-1);
    else if (event.key === "Escape" && text === "" && onLeave) onLeave();
    else if (event.key === "Escape") setText("");
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <span className="inline-flex min-w-0 flex-wrap items-center gap-x-2 gap-y-1.5">
      <input
        data-tray-field
        autoFocus={autoFocus}
        aria-label={label}
        aria-describedby={hint}
        aria-invalid={isRefused}
        autoComplete="off"
        spellCheck={false}
        className="field !w-44 !py-1 text-[14px]"
        placeholder={guess?.name ?? "part of a name"}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setRefused(false);
        }}
        onKeyDown={onKeyDown}
        onBlur={() => {
          if (text === "") onLeave?.();
        }}
      />
      <span id={hint} className="text-[13px] text-soft" aria-live="polite">
        {isAsked && shown.length === 0 && "Nobody of that name."}
        {isAsked &&
          shown.map(({ id, name }) => (
            <button
              key={id}
              type="button"
              className={`link me-2 ${id === only ? "font-semibold" : ""}`}
              // The field must not lose its text before the click arrives.
              onMouseDown={(event) => {
                event.preventDefault();
              }}
              onClick={() => {
                onDecide(id);
              }}
            >
              {name}
            </button>
          ))}
        {isAsked && found.best > 1 && isRefused && "Which one? Type more of the name."}
        {!isAsked && isRefused && "Type part of a name or number."}
      </span>
    </span>
  );
}
