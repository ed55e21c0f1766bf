import { useId, useState } from "react";

/** A choice that is taken as soon as it is made; where keeping it is refused, the reason stands below it. */
export function ChoiceField<V extends string>({
  label,
  labelHidden = false,
  value,
  options,
  className,
  onKeep,
}: {
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly value: V;
  readonly options: readonly (readonly [value: V, words: string])[];
  readonly className?: string;
  readonly onKeep: (value: V) => Promise<string | null> | undefined;
}) {
  const id = useId();
  const [trouble, setTrouble] = useState<string | null>(null);
  return (
    <div className={className}>
      <label htmlFor={id} className={labelHidden ? "sr-only" : "block text-[13px] text-soft"}>
        {label}
      </label>
      <select
        id={id}
        className="field"
        value={value}
        onChange={(event) => {
          void onKeep(event.target.value as V)?.then(setTrouble);
        }}
      >
        {options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
      {trouble && (
        <p role="alert" className="mt-1 text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </div>
  );
}

/** A yes or no that is kept as soon as it is set. */
export function TickField({
  label,
  detail,
  checked,
  onKeep,
}: {
  readonly label: string;
  readonly detail?: string;
  readonly checked: boolean;
  readonly onKeep: (checked: boolean) => Promise<string | null>;
}) {
  const [trouble, setTrouble] = useState<string | null>(null);
  return (
    <div>
      <label className="flex items-start gap-2 text-[14px]">
        <input
          type="checkbox"
          className="mt-0.5 size-4 accent-green"
          checked={checked}
          onChange={(event) => {
            void onKeep(event.target.checked).then(setTrouble);
          }}
        />
        <span>
          {label}
          {detail && <span className="block text-[13px] text-soft">{detail}</span>}
        </span>
      </label>
      {trouble && (
        <p role="alert" className="mt-1 text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </div>
  );
}
