import { useId, useState } from "react";

/** A field for a figure: taken as soon as it can be read; what cannot be read stays in sight and is marked. */
export function FigureInput<T>({
  label,
  value,
  placeholder,
  small = false,
  className,
  read,
  onRead,
}: {
  readonly label: string;
  readonly value: string;
  readonly placeholder?: string;
  /** For a figure among many. */
  readonly small?: boolean;
  readonly className?: string;
  /** The figure of a text; undefined where it is none. */
  readonly read: (text: string) => T | undefined;
  readonly onRead: (value: T) => void;
}) {
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const wrong = text !== null && read(text) === undefined;
  return (
    <div className={className}>
      <label htmlFor={id} className={`block text-soft ${small ? "text-[12.5px]" : "text-[13px]"}`}>
        {label}
      </label>
      <input
        id={id}
        inputMode="decimal"
        className={`field figures ${small ? "!px-2 !py-1 text-[14px]" : ""} ${wrong ? "!border-wax" : ""}`}
        placeholder={placeholder}
        value={text ?? value}
        aria-invalid={wrong}
        onChange={(event) => {
          setText(event.target.value);
          const found = read(event.target.value);
          if (found !== undefined) onRead(found);
        }}
        onBlur={() => {
          if (!wrong) setText(null);
        }}
      />
      {wrong && <p className="text-[13px] text-wax">A plain figure, 0 or more.</p>}
    </div>
  );
}
