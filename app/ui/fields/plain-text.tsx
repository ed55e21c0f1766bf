import { useImperativeHandle, useLayoutEffect, useRef, useState, type KeyboardEvent, type Ref } from "react";
import type { TextHandle } from "./text-handle";
import { PhraseMenu, phraseChoices, slashBefore, usePhrases, type PhraseChoice, type Slash } from "../letter/phrases";

interface PlainTextProps {
  readonly id: string;
  readonly text: string;
  readonly placeholder: string | undefined;
  readonly rows: number;
  readonly isWrong: boolean;
  readonly autoFocus: boolean;
  readonly fieldRef: Ref<TextHandle> | undefined;
  readonly onWrite: (text: string) => void;
  /** A phrase is being looked for: what stands behind the slash is not yet said. */
  readonly onChoosing: (isChoosing: boolean) => void;
  readonly onFocus?: () => void;
  readonly onBlur: () => void;
  /** Escape, or Enter with Ctrl. */
  readonly onLeave: () => void;
}

/** A field for words without marks, with phrases behind a slash. */
export function PlainText(props: PlainTextProps) {
  const { id, text, placeholder, rows, isWrong, autoFocus, fieldRef, onWrite, onLeave } = props;
  const field = useRef<HTMLTextAreaElement>(null);
  const entered = useRef(false);
  const menu = usePhraseMenu(text, onWrite, props.onChoosing);
  const { choices, marked } = menu;
  useImperativeHandle(fieldRef, () => field.current as HTMLTextAreaElement, []);
  // Asked for again, a field that is there already takes the focus as one does that comes.
  useLayoutEffect(() => {
    if (autoFocus) field.current?.focus();
  }, [autoFocus]);
  const onKeyDown = (event: KeyboardEvent) => {
    const isLeaving = event.key === "Escape" || (event.key === "Enter" && (event.ctrlKey || event.metaKey));
    const isOfMenu = menu.onKey(event);
    if (!isOfMenu && !isLeaving) return;
    event.preventDefault();
    event.stopPropagation();
    if (isOfMenu) return;
    // Left in any case: a field that stays in sight must not take the keys that follow.
    (event.target as HTMLElement).blur();
    onLeave();
  };
  return (
    <>
      <textarea
        id={id}
        ref={field}
        className="field mt-0.5 block field-sizing-content min-h-9 resize-none text-[14px] leading-snug"
        rows={rows}
        spellCheck
        placeholder={placeholder}
        value={text}
        aria-invalid={isWrong}
        onChange={(event) => {
          onWrite(event.target.value);
          menu.look(event.target);
        }}
        aria-expanded={choices ? true : undefined}
        aria-controls={choices ? `${id}-phrases` : undefined}
        aria-activedescendant={choices && choices.length > 0 ? `${id}-phrases-${String(marked)}` : undefined}
        role={choices ? "combobox" : undefined}
        onFocus={(event) => {
          // One goes on writing where the text ends; who comes back to the field goes where they point.
          if (autoFocus && !entered.current)
            event.target.setSelectionRange(event.target.value.length, event.target.value.length);
          entered.current = true;
          props.onFocus?.();
        }}
        onBlur={() => {
          menu.close();
          props.onBlur();
        }}
        onKeyDown={onKeyDown}
      />
      {choices && <PhraseMenu id={`${id}-phrases`} choices={choices} marked={marked} onChoose={menu.choose} />}
    </>
  );
}

/** The menu behind a slash: its lines, which is marked, and what its keys do. */
function usePhraseMenu(text: string, write: (text: string) => void, onChoosing: (isChoosing: boolean) => void) {
  const phrases = usePhrases();
  const [slash, setSlash] = useState<Slash | null>(null);
  const [marked, setMarked] = useState(0);
  const choices = phrases && slash ? phraseChoices(phrases, text, slash) : null;
  const set = (next: Slash | null) => {
    setSlash(next);
    onChoosing(phrases !== null && next !== null);
  };
  const close = () => {
    set(null);
  };
  const choose = (choice: PhraseChoice) => {
    if (!phrases || !slash) return;
    const end = slash.at + 1 + slash.wanted.length;
    const inserted = choice.kind === "insert" ? choice.words : "";
    if (choice.kind === "keep") phrases.keep(choice.words);
    write(text.slice(0, slash.at) + inserted + text.slice(end));
    close();
  };
  /** Keys of the open menu; answers whether the key was one. */
  const onKey = (event: KeyboardEvent): boolean => {
    if (!choices) return false;
    const choice = choices[marked];
    if (event.key === "Escape") close();
    else if (event.key === "ArrowDown") setMarked(Math.min(choices.length - 1, marked + 1));
    else if (event.key === "ArrowUp") setMarked(Math.max(0, marked - 1));
    else if (event.key === "Delete" && choice?.kind === "insert") phrases?.remove(choice.phrase);
    else if (choice && (event.key === "Enter" || event.key === "Tab") && !event.ctrlKey && !event.metaKey)
      choose(choice);
    else return false;
    return true;
  };
  const look = ({ value, selectionStart }: HTMLTextAreaElement) => {
    set(phrases && slashBefore(value, selectionStart));
    setMarked(0);
  };
  return { choices, marked, choose, onKey, look, close };
}
