import { useRef, type KeyboardEvent, type ReactNode, type Ref } from "react";
import type { ChangeResult, Command } from "#core/changes";
import type { CriterionId } from "#core/kernel";
import type { OutcomeRow } from "#core/scoring";
import { DraftField } from "../../../../ui/fields/draft-field";
import type { JudgedRows } from "../rows";

interface OutcomeCardsProps {
  readonly rows: JudgedRows;
  readonly wholeGroup: boolean;
  readonly send: (command: Command) => Promise<ChangeResult>;
  /** Where the key O leads: the first outcome that is open. */
  readonly firstRef: Ref<HTMLDivElement>;
  readonly onLast: () => void;
}

/** Outcomes under the score: judged in levels, with keys of their own, and never a part of the score. */
export function OutcomeCards({ rows, wholeGroup, send, firstRef, onLast }: OutcomeCardsProps) {
  const groups = useRef<(HTMLDivElement | null)[]>([]);
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const scope = rows.group ? { wholeGroup } : {};
  if (rows.outcomes.length === 0) return null;
  const first = Math.max(
    0,
    rows.outcomes.findIndex(({ given }) => given === null),
  );
  const give = (row: OutcomeRow, digit: number | null) => {
    const level = digit === null ? null : row.levels[digit - 1];
    if (level === undefined) return false;
    const verdict = digit === null ? ({ kind: "open" } as const) : ({ kind: "level", digit } as const);
    void send(
      row.criterionId
        ? { type: "judge", ...place, ...scope, criterionId: row.criterionId, verdict }
        : { type: "setAttainment", ...place, ...scope, levelId: level?.id ?? null },
    );
    return true;
  };
  const comments = (row: OutcomeRow, criterionId: CriterionId) => (
    <DraftField
      place={`comment/${place.assignmentId}/${place.studentId}/${criterionId}`}
      label={`Comment on ${row.name}`}
      labelHidden
      placeholder="To the student, on this outcome"
      value={row.comment}
      onKeep={(comment, seen) => send({ type: "setCriterionComment", ...place, ...scope, criterionId, comment, seen })}
      className="mt-1.5"
    />
  );
  const goTo = (index: number) => {
    if (index >= rows.outcomes.length) onLast();
    else groups.current[Math.max(0, index)]?.focus();
  };
  const onKey = (event: KeyboardEvent, row: OutcomeRow, index: number) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const digit = /^(Digit|Numpad)[1-9]$/.test(event.code) ? Number(event.code.slice(-1)) : null;
    if (digit !== null) {
      event.preventDefault();
      if (give(row, digit)) goTo(index + 1);
    } else if (event.key === "ArrowDown" || event.key === "ArrowUp") {
      event.preventDefault();
      goTo(index + (event.key === "ArrowDown" ? 1 : -1));
    } else if (event.key === "Backspace") {
      event.preventDefault();
      give(row, null);
    }
  };
  return (
    <section aria-labelledby="outcomes" className="mx-4 mt-4 border-t border-dashed border-soft pt-2">
      <h2 id="outcomes" className="text-[13.5px] text-soft">
        Outcomes, apart from the score <kbd className="ms-1 rounded-[3px] border border-rule px-1">O</kbd>
      </h2>
      {rows.outcomes.map((row, index) => (
        <OutcomeCard
          key={row.key}
          row={row}
          comments={comments}
          groupRef={(element) => {
            groups.current[index] = element;
            if (index !== first) return;
            if (typeof firstRef === "function") firstRef(element);
            else if (firstRef) firstRef.current = element;
          }}
          onKeyDown={(event) => {
            onKey(event, row, index);
          }}
          onGive={(digit) => {
            give(row, digit);
          }}
        />
      ))}
    </section>
  );
}

/** One outcome: its levels side by side, the one given, and its words. */
function OutcomeCard({
  row,
  comments,
  groupRef,
  onKeyDown,
  onGive,
}: {
  readonly row: OutcomeRow;
  /** The field for a comment, where the outcome can have one. */
  readonly comments: (row: OutcomeRow, criterionId: CriterionId) => ReactNode;
  readonly groupRef: (element: HTMLDivElement | null) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  /** Gives the level of a digit, or opens the outcome again. */
  readonly onGive: (digit: number | null) => void;
}) {
  return (
    <div className="pt-2">
      <div
        ref={groupRef}
        role="radiogroup"
        aria-label={`Outcome ${row.name}: ${row.given === null ? "open" : (row.levels[row.given - 1]?.name ?? "")}`}
        // The keys of an outcome act while it has the focus, so that they cannot be taken for the score's.
        tabIndex={0}
        className="rounded-[3px] outline-offset-2"
        onKeyDown={onKeyDown}
      >
        <div className="flex items-baseline justify-between gap-2">
          <h3 className="text-[14px] leading-tight">{row.name}</h3>
          {row.given !== null && (
            <button
              type="button"
              tabIndex={-1}
              aria-label={`Open again: ${row.name}`}
              className="text-[13px] text-soft underline decoration-rule underline-offset-2 hover:text-ink"
              onClick={() => {
                onGive(null);
              }}
            >
              Open again
            </button>
          )}
        </div>
        <div className="mt-1 flex overflow-hidden rounded-full border border-rule">
          {row.levels.map((level, number) => (
            <button
              key={level.id}
              type="button"
              role="radio"
              aria-checked={row.given === number + 1}
              tabIndex={-1}
              aria-label={`${row.name}: ${level.name}`}
              data-hint={level.descriptor}
              className={`min-h-[26px] min-w-0 flex-1 border-s border-rule px-1 text-[13px] first:border-s-0 pointer-coarse:min-h-11 ${row.given === number + 1 ? "bg-ink font-semibold text-paper" : "bg-sheet"}`}
              onClick={() => {
                onGive(number + 1);
              }}
            >
              <span className={`figures me-1 ${row.given === number + 1 ? "" : "text-soft"}`}>{number + 1}</span>
              {level.name}
            </button>
          ))}
        </div>
      </div>
      {row.given !== null && row.levels[row.given - 1]?.descriptor && (
        <p className="mt-1 text-[13.5px] leading-snug text-soft">{row.levels[row.given - 1]?.descriptor}</p>
      )}
      {row.criterionId && row.given !== null && comments(row, row.criterionId)}
    </div>
  );
}
