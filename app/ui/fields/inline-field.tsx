import { useId, type InputHTMLAttributes } from "react";
import { AsYouLeftIt } from "./as-you-left-it";
import { useTypedField } from "./use-typed-field";

interface InlineFieldProps extends Pick<
  InputHTMLAttributes<HTMLInputElement>,
  "inputMode" | "placeholder" | "autoFocus" | "maxLength" | "list" | "disabled"
> {
  /** What it is, for what is half-typed; left out, the browser asks before the page is left. */
  readonly place?: string;
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly value: string;
  readonly className?: string;
  readonly suffix?: string;
  /** Keeps a text; answers words of trouble, or null. `again`: Enter was pressed once more on a text that was refused. */
  readonly onKeep: (text: string, again: boolean) => Promise<string | null>;
}

/** One line of text that keeps itself on Enter and on leaving. What is refused stays in sight with its reason. */
export function InlineField({
  place,
  label,
  labelHidden = false,
  value,
  className,
  suffix,
  onKeep,
  ...input
}: InlineFieldProps) {
  const id = useId();
  const { trouble, isLeft, props } = useTypedField(value, onKeep, { place: place ?? null });

  return (
    <div className={className}>
      <label htmlFor={id} className={labelHidden ? "sr-only" : "block text-[13px] text-soft"}>
        {label}
      </label>
      <span className="flex items-baseline gap-1">
        <input
          {...input}
          id={id}
          className="field"
          {...props}
          aria-describedby={trouble === null ? undefined : `${id}-trouble`}
        />
        {suffix && <span className="text-[13px] text-soft">{suffix}</span>}
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
