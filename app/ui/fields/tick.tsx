import { Check } from "lucide-react";
import { Checkbox } from "radix-ui";
import { useId, type ReactNode } from "react";

/** A box to tick with its words beside it. */
export function Tick({
  checked,
  disabled = false,
  label,
  children,
  className = "",
  name,
  value,
  onChange,
}: {
  readonly checked: boolean;
  readonly disabled?: boolean;
  /** What it is called where the words beside it do not say it. */
  readonly label?: string;
  readonly children?: ReactNode;
  readonly className?: string;
  /** What a form that is sent says where it is ticked. */
  readonly name?: string;
  readonly value?: string;
  readonly onChange: (checked: boolean) => void;
}) {
  const id = useId();
  return (
    <span className={`inline-flex items-start gap-2 ${className}`}>
      <Checkbox.Root
        id={id}
        aria-label={label}
        disabled={disabled}
        {...(name !== undefined && { name })}
        {...(value !== undefined && { value })}
        checked={checked}
        className="mt-[0.2em] grid size-4 shrink-0 place-items-center rounded-[3px] border border-soft bg-sheet text-sheet disabled:opacity-40 data-[state=checked]:border-green data-[state=checked]:bg-green"
        onCheckedChange={(now) => {
          onChange(now === true);
        }}
      >
        <Checkbox.Indicator>
          <Check size={13} strokeWidth={3} aria-hidden="true" />
        </Checkbox.Indicator>
      </Checkbox.Root>
      {children !== undefined && (
        <label htmlFor={id} className="self-baseline">
          {children}
        </label>
      )}
    </span>
  );
}
