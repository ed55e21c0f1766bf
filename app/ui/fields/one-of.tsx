import { RadioGroup } from "radix-ui";
import { useId } from "react";
import type { Option } from "./choice";

/** One of a few, all in sight, side by side. */
export function OneOf<V extends string>({
  label,
  value,
  options,
  className = "",
  onChoose,
}: {
  /** What is chosen, in words: read out, and drawn nowhere. */
  readonly label: string;
  readonly value: V;
  readonly options: readonly Option<V>[];
  readonly className?: string;
  readonly onChoose: (value: V) => void;
}) {
  const id = useId();
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      className={`flex flex-wrap gap-x-5 gap-y-1 ${className}`}
      onValueChange={(chosen) => {
        onChoose(chosen as V);
      }}
    >
      {options.map(([one, words]) => (
        <span key={one} className="inline-flex items-center gap-2">
          <RadioGroup.Item
            id={`${id}-${one}`}
            value={one}
            className="grid size-4 place-items-center rounded-full border border-soft bg-sheet data-[state=checked]:border-green"
          >
            <RadioGroup.Indicator className="size-2 rounded-full bg-green" />
          </RadioGroup.Item>
          <label htmlFor={`${id}-${one}`}>{words}</label>
        </span>
      ))}
    </RadioGroup.Root>
  );
}
