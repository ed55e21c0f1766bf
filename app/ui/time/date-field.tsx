import { useId, useState } from "react";
import { CalendarButton } from "./calendar-button";
import { notADate, readWall, today, wallWords, withTime, type DayEdge, type Precision } from "./read-moment";

interface DateFieldProps {
  readonly label: string;
  /** Where the label stands: over the field, before it, or only for who cannot see. */
  readonly labelled?: "over" | "before" | "hidden";
  readonly precision: Precision;
  /** What a typed day without a time means. */
  readonly edge?: DayEdge;
  /** `2026-11-30T08:00`, or the day alone; empty where nothing is chosen. */
  readonly value: string;
  /** Called with what could be read, on Enter, on leaving and from the calendar. */
  readonly onChange: (value: string) => void;
  /** Sent with a form under this name. */
  readonly name?: string;
  readonly hint?: string;
  readonly className?: string;
}

/**
 * A date, with or without a time of day: typed as people write dates (`14 Sep 18:00`, `14.9.`, `2026-09-14`) or chosen in a
 * calendar, and written out in one way. What cannot be read stays in sight with its reason.
 */
export function DateField(props: DateFieldProps) {
  const { label, labelled = "over", precision, edge = "start", value, onChange, name, hint, className } = props;
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = (text: string | null) => {
    if (text === null) return;
    const read = readWall(text, precision, edge, today());
    setTrouble(read === null ? notADate(text, precision) : null);
    if (read === null) return;
    setTyped(null);
    if (read !== value) onChange(read);
  };
  const look = { over: "block text-[13px] text-soft", before: "text-soft", hidden: "sr-only" }[labelled];
  return (
    <span className={className}>
      <span className={labelled === "before" ? "flex items-center gap-1.5" : ""}>
        <label htmlFor={id} className={look}>
          {label}
        </label>
        <span className="flex items-center gap-1">
          <input
            id={id}
            type="text"
            autoComplete="off"
            className={`field text-ink ${precision === "day" ? "!w-32" : "!w-[13.5rem]"}`}
            placeholder={precision === "day" ? "14 Sep" : "14 Sep 18:00"}
            data-hint={hint}
            value={typed ?? wallWords(value, precision)}
            aria-invalid={trouble !== null}
            aria-describedby={trouble === null ? undefined : `${id}-trouble`}
            onChange={(event) => {
              setTyped(event.target.value);
              // A whole date counts at once, so that the button beside it need not wait for the field to be left.
              const read = readWall(event.target.value, precision, edge, today());
              if (read !== null && read !== value) onChange(read);
            }}
            onBlur={() => {
              take(typed);
            }}
            onKeyDown={(event) => {
              if (event.key === "Escape" && typed !== null) {
                setTyped(null);
                setTrouble(null);
              } else if (event.key === "Enter") take(typed);
            }}
          />
          {name !== undefined && <input type="hidden" name={name} value={value} />}
          <CalendarButton
            label={label}
            day={value.slice(0, 10)}
            onDay={(day) => {
              setTyped(null);
              setTrouble(null);
              onChange(precision === "day" ? day : withTime(day, value, edge));
            }}
          />
        </span>
      </span>
      {trouble && (
        <span id={`${id}-trouble`} role="alert" className="mt-1 block text-[13px] text-wax">
          {trouble}
        </span>
      )}
    </span>
  );
}
