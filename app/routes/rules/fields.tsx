import { useId, useState } from "react";

/** A figure that is taken as soon as it can be read; what cannot be read is kept in sight and named. */
export function Figure<T>({
  label,
  value,
  read,
  onRead,
}: {
  readonly label: string;
  readonly value: string;
  readonly read: (text: string) => T | undefined;
  readonly onRead: (value: T) => void;
}) {
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const wrong = text !== null && read(text) === undefined;
  return (
    <div>
      <label htmlFor={id} className="block text-[13px] text-soft">
        {label}
      </label>
      <input
        id={id}
        inputMode="decimal"
        className="field figures"
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

/** A choice among a few. */
export function Pick<V extends string>({
  label,
  value,
  options,
  onPick,
}: {
  readonly label: string;
  readonly value: V;
  readonly options: readonly (readonly [value: V, words: string])[];
  readonly onPick: (value: V) => void;
}) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="block text-[13px] text-soft">
        {label}
      </label>
      <select
        id={id}
        className="field"
        value={value}
        onChange={(event) => {
          onPick(event.target.value as V);
        }}
      >
        {options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
}
