// A search with a list that is walked by the arrows: cmdk, wrapped here and nowhere else.
import { Command } from "cmdk";
import { Dialog } from "radix-ui";
import { useRef } from "react";

/** One line of what was found. */
interface FoundLine {
  readonly words: string;
  readonly kind: string;
}

interface FinderProps<T extends FoundLine> {
  readonly label: string;
  readonly placeholder: string;
  /** Said where nothing was found. */
  readonly nothing: string;
  readonly text: string;
  /** What the text finds, in the order of its fit: the list neither sorts nor leaves out. */
  readonly found: readonly T[];
  readonly onText: (text: string) => void;
  readonly onChoose: (one: T) => void;
  readonly onClose: () => void;
}

/** A window over the page in which something is looked for by typing and chosen with Enter. */
export function Finder<T extends FoundLine>(props: FinderProps<T>) {
  const { label, text, found, onText, onChoose, onClose } = props;
  const input = useRef<HTMLInputElement>(null);
  return (
    <Dialog.Root open onOpenChange={onClose}>
      <Dialog.Portal>
        <Dialog.Overlay className="shade" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            // What was typed before it came stays, and typing goes on behind it.
            event.preventDefault();
            input.current?.focus();
            input.current?.setSelectionRange(text.length, text.length);
          }}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(560px,94vw)] -translate-x-1/2 rounded border border-rule bg-sheet p-3 shadow-xl"
        >
          <Dialog.Title className="sr-only">{label}</Dialog.Title>
          <Command label={label} shouldFilter={false}>
            <Command.Input
              ref={input}
              aria-label={label}
              autoComplete="off"
              spellCheck={false}
              className="field !py-2 text-[17px]"
              placeholder={props.placeholder}
              value={text}
              onValueChange={onText}
            />
            <Command.List label="Found" className="mt-2 max-h-[50vh] overflow-auto text-[15px]">
              <Command.Empty className="px-2.5 py-1 text-soft">{props.nothing}</Command.Empty>
              {found.map((one, index) => (
                <Command.Item
                  key={`${one.kind} ${one.words}`}
                  value={String(index)}
                  className="flex cursor-pointer justify-between gap-4 rounded px-2.5 py-1 aria-selected:bg-green-wash"
                  onSelect={() => {
                    onChoose(one);
                  }}
                >
                  <span className="truncate">{one.words}</span>
                  <span className="shrink-0 text-[13px] text-soft">{one.kind}</span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
