import { Extension, type Editor, type Range } from "@tiptap/core";
import { Suggestion, type SuggestionProps } from "@tiptap/suggestion";
import { useEffect, useMemo, useState } from "react";
import { useLatest } from "../hooks/use-latest";
import { documentOf } from "./comment-document";
import { phraseChoices, usePhrases, type PhraseChoice } from "./phrases";

interface OpenSlash {
  readonly editor: Editor;
  readonly range: Range;
  readonly wanted: string;
}

/** Phrases behind a slash in the editor of a comment: the menu's lines, which is marked, and what its keys do. */
export function useSlashPhrases(onChoosing: (isChoosing: boolean) => void) {
  const phrases = usePhrases();
  const [open, setOpen] = useState<OpenSlash | null>(null);
  const [marked, setMarked] = useState(0);
  const choices = useMemo(() => {
    if (!phrases || !open) return null;
    const before = open.editor.state.doc.textBetween(0, open.range.from, "\n");
    return phraseChoices(phrases, before, { at: before.length, wanted: open.wanted });
  }, [phrases, open]);
  const choose = (choice: PhraseChoice) => {
    if (!open || !phrases) return;
    if (choice.kind === "keep") phrases.keep(choice.words);
    const inserted = choice.kind === "insert" ? (documentOf(choice.words).content ?? []) : [];
    const [only] = inserted;
    const chain = open.editor.chain().focus().deleteRange(open.range);
    // The words of one paragraph go on in the line; more come as they are.
    if (choice.kind === "insert") chain.insertContent(inserted.length === 1 ? (only?.content ?? []) : inserted);
    chain.run();
    setOpen(null);
  };
  /** Keys of the open menu; answers whether the key was one. */
  const onKey = (event: KeyboardEvent): boolean => {
    const choice = choices?.[marked];
    if (!choices) return false;
    if (event.key === "Escape") setOpen(null);
    else if (event.key === "ArrowDown") setMarked(Math.min(choices.length - 1, marked + 1));
    else if (event.key === "ArrowUp") setMarked(Math.max(0, marked - 1));
    else if (event.key === "Delete" && choice?.kind === "insert") phrases?.remove(choice.phrase);
    else if (choice && (event.key === "Enter" || event.key === "Tab") && !event.ctrlKey && !event.metaKey)
      choose(choice);
    else return false;
    event.stopPropagation();
    return true;
  };
  const isOpen = choices !== null;
  const tell = useLatest(onChoosing);
  useEffect(() => {
    tell(isOpen);
  }, [isOpen, tell]);
  const hear = useLatest(onKey);
  const [extension] = useState(() =>
    slashExtension({
      show: (found) => {
        setOpen(found);
        setMarked(0);
      },
      onKey: hear,
    }),
  );
  const attributes = (id: string): Readonly<Record<string, string>> =>
    choices === null
      ? { role: "textbox" }
      : {
          role: "combobox",
          "aria-expanded": "true",
          "aria-controls": `${id}-phrases`,
          ...(choices.length > 0 && { "aria-activedescendant": `${id}-phrases-${String(marked)}` }),
        };
  return { extension, choices, marked, choose, attributes };
}

interface SlashWays {
  readonly show: (open: OpenSlash | null) => void;
  readonly onKey: (event: KeyboardEvent) => boolean;
}

/** The slash that begins a word, watched by the editor. */
const slashExtension = ({ show, onKey }: SlashWays) =>
  Extension.create({
    name: "phrases",
    addProseMirrorPlugins() {
      const told = ({ editor, range, query }: SuggestionProps) => {
        show({ editor, range, wanted: query });
      };
      return [
        Suggestion({
          editor: this.editor,
          char: "/",
          render: () => ({
            onStart: told,
            onUpdate: told,
            onKeyDown: ({ event }) => onKey(event),
            onExit: () => {
              show(null);
            },
          }),
        }),
      ];
    },
  });
