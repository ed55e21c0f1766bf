import { useId, useState } from "react";
import { Choice } from "./choice";
import { Tick } from "./tick";

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
      <Choice
        id={id}
        value={value}
        onChoose={(picked) => {
          void onKeep(picked)?.then(setTrouble);
        }}
        options={options}
      />
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
      <Tick
        className="text-[14px]"
        checked={checked}
        onChange={(ticked) => {
          void onKeep(ticked).then(setTrouble);
        }}
      >
        <span>
          {label}
          {detail && <span className="block text-[13px] text-soft">{detail}</span>}
        </span>
      </Tick>
      {trouble && (
        <p role="alert" className="mt-1 text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </div>
  );
}
