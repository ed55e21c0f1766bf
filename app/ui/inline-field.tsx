import { useId, useRef, useState, type InputHTMLAttributes } from "react";
import { useUnkept } from "./use-unkept";

interface InlineFieldProps extends Pick<
  InputHTMLAttributes<HTMLInputElement>,
  "inputMode" | "placeholder" | "type" | "autoFocus" | "maxLength" | "list" | "disabled"
> {
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
  label,
  labelHidden = false,
  value,
  className,
  suffix,
  onKeep,
  ...input
}: InlineFieldProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const sent = useRef<string | null>(null);
  const refused = useRef<string | null>(null);
  useUnkept(draft !== null && draft !== value);

  const keep = async (byKey: boolean) => {
    if (draft === null || draft === sent.current) return;
    const again = draft === refused.current;
    // Leaving the field does not answer what was asked about its text.
    if (again && !byKey) return;
    if (draft.trim() === value) {
      setDraft(null);
      setTrouble(null);
      return;
    }
    sent.current = draft;
    const words = await onKeep(draft.trim(), again);
    sent.current = null;
    refused.current = words === null ? null : draft;
    setTrouble(words);
    if (words === null) setDraft((now) => (now === draft ? null : now));
  };

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
          value={draft ?? value}
          aria-invalid={trouble !== null}
          aria-describedby={trouble === null ? undefined : `${id}-trouble`}
          onChange={(event) => {
            setDraft(event.target.value);
          }}
          onBlur={() => void keep(false)}
          onKeyDown={(event) => {
            if (event.key === "Enter") {
              event.preventDefault();
              void keep(true);
            } else if (event.key === "Escape") {
              setDraft(null);
              setTrouble(null);
            }
          }}
        />
        {suffix && <span className="text-[13px] text-soft">{suffix}</span>}
      </span>
      {trouble && (
        <p id={`${id}-trouble`} role="alert" className="mt-1 text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </div>
  );
}
