import { useId, useImperativeHandle, useLayoutEffect, useRef, useState, type KeyboardEvent, type Ref } from "react";
import type { ChangeResult } from "#core/changes";
import { AsYouLeftIt } from "./as-you-left-it";
import { PhraseMenu, phraseChoices, slashBefore, usePhrases, type PhraseChoice, type Slash } from "../letter/phrases";
import { useKeptText } from "./use-kept-text";

interface DraftFieldProps {
  /** What text it is, the same at every showing: under this it lies among the drafts while it is not kept. */
  readonly place: string;
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly value: string;
  readonly placeholder?: string;
  readonly rows?: number;
  readonly fieldRef?: Ref<HTMLTextAreaElement>;
  readonly autoFocus?: boolean;
  /** Keeps a text; `seen` is what stood there when typing began. */
  readonly onKeep: (text: string, seen: string) => Promise<ChangeResult>;
  readonly onDone?: () => void;
  readonly className?: string;
  /** The text may carry strong and emphasised words; Ctrl+B and Ctrl+I set them. */
  readonly formatted?: boolean;
}

/** A text that keeps itself (`useKeptText`), with phrases and marks; another place is another field. */
export function DraftField(props: DraftFieldProps) {
  return <TextOfPlace key={props.place} {...props} />;
}

function TextOfPlace({
  place,
  label,
  labelHidden = false,
  value,
  placeholder,
  rows = 1,
  fieldRef,
  autoFocus = false,
  onKeep,
  onDone,
  className,
  formatted = false,
}: DraftFieldProps) {
  const id = useId();
  const phrases = usePhrases();
  const [slash, setSlash] = useState<Slash | null>(null);
  const [marked, setMarked] = useState(0);
  const open = phrases !== null && slash !== null;
  // While a phrase is being looked for, what stands after the slash is not yet said.
  const { text, trouble, isLeft, write, keep } = useKeptText({ place, value, waits: open, onKeep });
  const choices = phrases && slash ? phraseChoices(phrases, text, slash) : [];
  const entered = useRef(false);
  const field = useRef<HTMLTextAreaElement>(null);
  useImperativeHandle(fieldRef, () => field.current as HTMLTextAreaElement, []);
  // Asked for again, a field that is there already takes the focus as one does that comes.
  useLayoutEffect(() => {
    if (autoFocus) field.current?.focus();
  }, [autoFocus]);

  const choose = (choice: PhraseChoice) => {
    if (!phrases || !slash) return;
    const end = slash.at + 1 + slash.wanted.length;
    const inserted = choice.kind === "insert" ? choice.words : "";
    if (choice.kind === "keep") phrases.keep(choice.words);
    write(text.slice(0, slash.at) + inserted + text.slice(end));
    setSlash(null);
  };
  /** Keys of the open menu; answers whether the key was one. */
  const inMenu = (event: KeyboardEvent): boolean => {
    const choice = choices[marked];
    if (event.key === "Escape") setSlash(null);
    else if (event.key === "ArrowDown") setMarked(Math.min(choices.length - 1, marked + 1));
    else if (event.key === "ArrowUp") setMarked(Math.max(0, marked - 1));
    else if (event.key === "Delete" && choice?.kind === "insert") phrases?.remove(choice.phrase);
    else if (choice && (event.key === "Enter" || event.key === "Tab") && !event.ctrlKey && !event.metaKey)
      choose(choice);
    else return false;
    return true;
  };

  const onKeyDown = (event: KeyboardEvent) => {
    if (open && inMenu(event)) {
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    const mark = formatted && (event.ctrlKey || event.metaKey) ? MARKS[event.key.toLowerCase()] : undefined;
    if (mark && event.target instanceof HTMLTextAreaElement) {
      event.preventDefault();
      event.stopPropagation();
      wrapSelection(event.target, mark, write);
      return;
    }
    const done = event.key === "Escape" || (event.key === "Enter" && (event.ctrlKey || event.metaKey));
    if (!done) return;
    event.preventDefault();
    event.stopPropagation();
    // Left in any case: a field that stays in sight must not take the keys that follow.
    (event.target as HTMLElement).blur();
    onDone?.();
  };

  return (
    <div className={`relative ${className ?? ""}`}>
      <label htmlFor={id} className={labelHidden ? "sr-only" : "text-[13px] text-soft"}>
        {label}
      </label>
      <textarea
        id={id}
        ref={field}
        className="field mt-0.5 block field-sizing-content min-h-9 resize-none text-[14px] leading-snug"
        rows={rows}
        spellCheck
        placeholder={placeholder}
        value={text}
        aria-invalid={trouble !== null}
        onChange={(event) => {
          write(event.target.value);
          setSlash(phrases && slashBefore(event.target.value, event.target.selectionStart));
          setMarked(0);
        }}
        aria-expanded={open ? true : undefined}
        aria-controls={open ? `${id}-phrases` : undefined}
        aria-activedescendant={open && choices.length > 0 ? `${id}-phrases-${String(marked)}` : undefined}
        role={open ? "combobox" : undefined}
        onFocus={(event) => {
          // One goes on writing where the text ends; who comes back to the field goes where they point.
          if (autoFocus && !entered.current)
            event.target.setSelectionRange(event.target.value.length, event.target.value.length);
          entered.current = true;
        }}
        onBlur={() => {
          setSlash(null);
          void keep();
        }}
        onKeyDown={onKeyDown}
      />
      {open && <PhraseMenu id={`${id}-phrases`} choices={choices} marked={marked} onChoose={choose} />}
      {isLeft && !trouble && <AsYouLeftIt />}
      {trouble && (
        <p role="alert" className="mt-1 text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </div>
  );
}

/** Keys that set a mark around the selected words. */
const MARKS: Readonly<Record<string, string>> = { b: "**", i: "*" };

/** Sets a mark around the selected words, or takes it off where it stands. */
function wrapSelection(field: HTMLTextAreaElement, mark: string, write: (text: string) => void): void {
  const { selectionStart: start, selectionEnd: end, value } = field;
  const words = value.slice(start, end);
  const marked = words.startsWith(mark) && words.endsWith(mark) && words.length > 2 * mark.length;
  const next = marked ? words.slice(mark.length, -mark.length) : `${mark}${words}${mark}`;
  write(value.slice(0, start) + next + value.slice(end));
  requestAnimationFrame(() => {
    const from = words === "" ? start + mark.length : start;
    field.setSelectionRange(from, words === "" ? from : start + next.length);
  });
}
