import type { RefObject } from "react";
import type { ChangeResult, Command } from "#core/changes";
import { useTypedField } from "../../../../ui/fields/use-typed-field";
import type { JudgedRows } from "../rows";

interface StandingRowProps {
  readonly rows: JudgedRows;
  readonly unitHours: number;
  readonly send: (command: Command) => Promise<ChangeResult>;
  readonly lateRef: RefObject<HTMLInputElement | null>;
}

/** The standing in one gesture: handed in, late by n, missing, excused. */
export function StandingRow({ rows, unitHours, send, lateRef }: StandingRowProps) {
  const { figure, decision } = rows;
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const decide = (wanted: "missing" | "excused") =>
    void send({ type: "setStanding", ...place, decision: wanted, toggle: true });
  const chip = (on: boolean, colour: string) =>
    `inline-flex h-[26px] pointer-coarse:h-11 items-center gap-1 rounded-[3px] border px-2 text-[13.5px] ${on ? `font-semibold ${colour}` : "border-rule bg-sheet"}`;
  return (
    <div role="group" aria-label="Standing" className="flex flex-wrap gap-1 px-4 pt-2.5">
      <button
        type="button"
        className={chip(figure.standing === "handedIn", "border-green bg-sheet text-green")}
        aria-pressed={figure.standing === "handedIn"}
        disabled={decision === null}
        onClick={() => void send({ type: "setStanding", ...place, decision: null })}
      >
        {figure.standing === "expected" ? "Not in" : "Handed in"}
      </button>
      <LateField
        place={`late/${place.assignmentId}/${place.studentId}`}
        units={figure.unitsLate}
        unit={unitHours === 24 ? "d" : "units"}
        className={chip(figure.unitsLate > 0, "border-ochre bg-sheet text-ochre")}
        fieldRef={lateRef}
        onKeep={(unitsLate) => void send({ type: "setLateness", ...place, unitsLate })}
      />
      <button
        type="button"
        className={chip(decision === "missing", "border-wax bg-wax-wash text-wax")}
        aria-pressed={decision === "missing"}
        onClick={() => {
          decide("missing");
        }}
      >
        Missing
      </button>
      <button
        type="button"
        className={chip(decision === "excused", "border-soft bg-table text-ink")}
        aria-pressed={decision === "excused"}
        onClick={() => {
          decide("excused");
        }}
      >
        {rows.assignment.bonus ? "Declined" : "Excused"}
      </button>
      {rows.moreTime && <p className="figures w-full text-[13px] text-soft">{rows.moreTime}</p>}
    </div>
  );
}

interface LateFieldProps {
  readonly units: number;
  readonly unit: string;
  readonly className: string;
  readonly fieldRef: RefObject<HTMLInputElement | null>;
  /** Null goes back to what the time of the hand-in tells. */
  /** For what is half-typed. */
  readonly place: string;
  readonly onKeep: (units: number | null) => void;
}

function LateField({ place, units, unit, className, fieldRef, onKeep }: LateFieldProps) {
  const { trouble, isLeft, props } = useTypedField(
    units === 0 ? "" : String(units),
    (text) => {
      const isUnits = text === "" || /^\d{1,3}$/.test(text);
      if (isUnits) onKeep(text === "" ? null : Number(text));
      return Promise.resolve(
        isUnits ? null : `Late by a whole number of ${unit === "d" ? "days" : "units"} up to 999, or nothing.`,
      );
    },
    { leaves: true, place },
  );
  return (
    <label className={`relative ${className}`}>
      Late
      <input
        ref={fieldRef}
        aria-label={`Late by, in ${unit === "d" ? "days" : unit}`}
        inputMode="numeric"
        className="figures w-6 border-b border-rule bg-transparent text-center outline-offset-0"
        onFocus={(event) => {
          event.target.select();
        }}
        {...props}
      />
      {unit}
      {(trouble !== null || isLeft) && (
        <span
          role="alert"
          className="absolute top-full right-0 z-40 mt-1 w-56 rounded bg-tip px-2 py-1 text-left text-[13px] text-on-tip"
        >
          {trouble ?? "As you left it. Enter keeps it, Escape lets it go."}
        </span>
      )}
    </label>
  );
}
