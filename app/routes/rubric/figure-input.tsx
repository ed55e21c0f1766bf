import { useState } from "react";
import { parseDecimal, type Decimal } from "#core/kernel";

/** A small field for a figure; it is taken as soon as it can be read, and marked while it cannot. */
export function FigureInput({
  label,
  value,
  placeholder,
  optional = false,
  className,
  onRead,
}: {
  readonly label: string;
  readonly value: string;
  readonly placeholder?: string;
  /** Nothing typed is a choice: null. */
  readonly optional?: boolean;
  readonly className?: string;
  readonly onRead: (value: Decimal | null) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const read = (typed: string): Decimal | null | undefined => {
    if (optional && typed.trim() === "") return null;
    const parsed = parseDecimal(typed);
    return parsed.ok ? parsed.value : undefined;
  };
  const wrong = text !== null && read(text) === undefined;
  return (
    <label className={`block text-[12.5px] text-soft ${className ?? ""}`}>
      {label}
      <input
        inputMode="decimal"
        className={`field figures !px-2 !py-1 text-[14px] text-ink ${wrong ? "!border-wax" : ""}`}
        placeholder={placeholder}
        value={text ?? value}
        aria-invalid={wrong}
        title={wrong ? "A plain figure, such as 6.5" : undefined}
        onChange={(event) => {
          setText(event.target.value);
          const found = read(event.target.value);
          if (found !== undefined) onRead(found);
        }}
        onBlur={() => {
          if (!wrong) setText(null);
        }}
      />
    </label>
  );
}
