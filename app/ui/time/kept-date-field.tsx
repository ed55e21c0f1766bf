import { useId } from "react";
import { AsYouLeftIt } from "../fields/as-you-left-it";
import { useTypedField } from "../fields/use-typed-field";
import { CalendarButton } from "./calendar-button";
import { notADate, readWall, today, wallWords, withTime, type DayEdge } from "./read-moment";

interface KeptDateFieldProps {
  readonly label: string;
  /** What a typed day without a time means. */
  readonly edge: DayEdge;
  /** `2026-11-30T08:00`; empty where there is none. */
  readonly value: string;
  readonly className?: string;
  /** Where it lies among the drafts while it is not kept. */
  readonly place?: string;
  /** Keeps a moment; answers words of trouble, or null. `again`: Enter was pressed once more on one that was refused. */
  readonly onKeep: (moment: string, again: boolean) => Promise<string | null>;
}

/** A date with a time of day that keeps itself on Enter, on leaving, and from the calendar. */
export function KeptDateField({ label, edge, value, className, place, onKeep }: KeptDateFieldProps) {
  const id = useId();
  const { trouble, isLeft, props } = useTypedField(
    wallWords(value, "moment"),
    async (text, again) => {
      const read = readWall(text, "moment", edge, today());
      if (read === null) return notADate(text, "moment");
      return read === value ? null : onKeep(read, again);
    },
    { place: place ?? null },
  );
  return (
    <div className={className}>
      <label htmlFor={id} className="block text-[13px] text-soft">
        {label}
      </label>
      <span className="flex items-center gap-1">
        <input
          id={id}
          autoComplete="off"
          className="field"
          placeholder="14 Sep 18:00"
          {...props}
          aria-describedby={trouble === null ? undefined : `${id}-trouble`}
        />
        <CalendarButton
          label={label}
          day={value.slice(0, 10)}
          onDay={(day) => void onKeep(withTime(day, value, edge), false)}
        />
      </span>
      {isLeft && !trouble && <AsYouLeftIt more="Enter keeps it" />}
      {trouble && (
        <p id={`${id}-trouble`} role="alert" className="mt-1 text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </div>
  );
}
