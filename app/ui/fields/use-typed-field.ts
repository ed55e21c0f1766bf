import { useEffect, useRef, useState, type ChangeEvent, type FocusEvent, type KeyboardEvent } from "react";
import { useDraftPlace } from "./drafts";
import { useLeftText } from "./use-left-text";
import { isWindowLeft } from "../keys/typing";
import { useLatest } from "../hooks/use-latest";

type Field = HTMLInputElement;

/** What a field of one line shows, and the handlers it listens with. */
export interface TypedField {
  /** Why what stands in the field was refused; null where nothing was. */
  readonly trouble: string | null;
  /** It was found as it was left, and nothing was typed since. */
  readonly isLeft: boolean;
  readonly props: {
    readonly value: string;
    readonly "aria-invalid": boolean;
    readonly onChange: (event: ChangeEvent<Field>) => void;
    readonly onBlur: (event: FocusEvent<Field>) => void;
    readonly onKeyDown: (event: KeyboardEvent<Field>) => void;
  };
}

/**
 * One line of text that is kept on Enter and on leaving, and not when another window comes to the front. What is refused
 * stays in sight with its reason; Escape brings back what stood there. `leaves`: the keys also leave the field; `place`:
 * where it lies among the drafts while it is not kept.
 */
export function useTypedField(
  value: string,
  onKeep: (text: string, again: boolean) => Promise<string | null>,
  { leaves = false, place = null }: { readonly leaves?: boolean; readonly place?: string | null } = {},
): TypedField {
  const at = useDraftPlace(place);
  const found = useLeftText(at, value)?.text ?? null;
  const [draft, setDraft] = useState<string | null>(found);
  const [trouble, setTrouble] = useState<string | null>(null);
  // Leaving by a key runs the handler of an earlier drawing, which must not see what was typed before that key.
  const typed = useRef<string | null>(found);
  // What was found as it was left is kept by a hand only, never by going away from it.
  const isTouched = useRef(false);
  const sent = useRef<string | null>(null);
  const refused = useRef<string | null>(null);

  const write = (text: string | null) => {
    isTouched.current = true;
    typed.current = text;
    setDraft(text);
    if (text === null || text === value) at.drop();
    else at.put(text, value);
  };
  const keep = async (byKey: boolean) => {
    const text = typed.current;
    if (text === null || text === sent.current) return;
    const again = text === refused.current;
    // Leaving the field does not answer what was asked about its text.
    if (again && !byKey) return;
    if (text.trim() === value) {
      write(null);
      setTrouble(null);
      return;
    }
    sent.current = text;
    const words = await onKeep(text.trim(), again);
    sent.current = null;
    refused.current = words === null ? null : text;
    setTrouble(words);
    if (words === null && typed.current === text) write(null);
  };
  const keepNow = useLatest(keep);
  useEffect(() => {
    // Going away is leaving, also where the field goes without a word.
    const now = () => {
      if (isTouched.current) void keepNow(false);
    };
    window.addEventListener("pagehide", now);
    return () => {
      window.removeEventListener("pagehide", now);
      now();
    };
  }, [keepNow]);
  return {
    trouble,
    isLeft: draft !== null && draft === found,
    props: {
      value: draft ?? value,
      "aria-invalid": trouble !== null,
      onChange: (event) => {
        write(event.target.value);
      },
      onBlur: (event) => {
        if (!isWindowLeft(event.currentTarget)) void keep(false);
      },
      onKeyDown: (event) => {
        if (event.key === "Enter") {
          event.preventDefault();
          void keep(true);
        } else if (event.key === "Escape") {
          write(null);
          setTrouble(null);
        } else return;
        if (leaves) event.currentTarget.blur();
      },
    },
  };
}
