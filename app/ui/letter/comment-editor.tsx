import { Document } from "@tiptap/extension-document";
import { Bold } from "@tiptap/extension-bold";
import { HardBreak } from "@tiptap/extension-hard-break";
import { Italic } from "@tiptap/extension-italic";
import { Link } from "@tiptap/extension-link";
import { BulletList, ListItem, ListKeymap, OrderedList } from "@tiptap/extension-list";
import { Paragraph } from "@tiptap/extension-paragraph";
import { Text } from "@tiptap/extension-text";
import { Placeholder, UndoRedo } from "@tiptap/extensions";
import { EditorContent, useEditor, type Editor } from "@tiptap/react";
import { useEffect, useImperativeHandle, useLayoutEffect, type Ref } from "react";
import type { TextHandle } from "../fields/text-handle";
import { commentText, documentOf, isSameDocument } from "./comment-document";
import { isLinkAddress } from "./formatted";
import { PhraseMenu } from "./phrases";
import { useSlashPhrases } from "./slash-phrases";
import { useCurrent } from "../hooks/use-latest";

export interface CommentEditorProps {
  readonly id: string;
  readonly text: string;
  readonly placeholder: string;
  readonly isWrong: boolean;
  readonly autoFocus: boolean;
  readonly handle: Ref<TextHandle> | undefined;
  readonly onWrite: (text: string) => void;
  /** A phrase is being looked for: what stands behind the slash is not yet said. */
  readonly onChoosing: (isChoosing: boolean) => void;
  readonly onBlur: () => void;
  /** Escape, or Enter with Ctrl. */
  readonly onLeave: () => void;
}

const LOOK =
  "field formatted mt-0.5 block min-h-[3.4rem] text-[14px] leading-snug whitespace-pre-wrap break-words outline-offset-2";

/**
 * The field of a comment with its marks as they will be read: strong (Ctrl B), emphasis (Ctrl I), lists (`- `, `1. `),
 * links (typed as an address), phrases behind a slash. It comes with the editor's package, when it is needed.
 */
export default function CommentEditor(props: CommentEditorProps) {
  const { id, text, isWrong, autoFocus, handle } = props;
  const slash = useSlashPhrases(props.onChoosing);
  const latest = useCurrent(props);
  const editor = useEditor({
    injectCSS: false,
    extensions: [
      ...[Document, Paragraph, Text, Bold, Italic, BulletList, OrderedList, ListItem, ListKeymap, HardBreak, UndoRedo],
      Link.configure({ openOnClick: false, isAllowedUri: (address) => isLinkAddress(address), protocols: ["mailto"] }),
      Placeholder.configure({ placeholder: props.placeholder }),
      slash.extension,
    ],
    content: documentOf(text),
    editorProps: {
      attributes: {
        id,
        "aria-invalid": String(isWrong),
        "aria-multiline": "true",
        "aria-labelledby": `${id}-label`,
        class: LOOK,
        spellcheck: "true",
        ...slash.attributes(id),
      },
      handleKeyDown: (_, event) => {
        const isLeaving = event.key === "Escape" || (event.key === "Enter" && (event.ctrlKey || event.metaKey));
        if (!isLeaving) return false;
        event.preventDefault();
        event.stopPropagation();
        (event.target as HTMLElement).blur();
        latest.current.onLeave();
        return true;
      },
    },
    onUpdate: (update) => {
      latest.current.onWrite(commentText(update.editor.getJSON()));
    },
    onBlur: () => {
      latest.current.onBlur();
    },
  });
  useImperativeHandle(
    handle,
    () => ({
      focus: () => {
        goesOnIn(editor);
      },
    }),
    [editor],
  );
  useLayoutEffect(() => {
    if (autoFocus) goesOnIn(editor);
  }, [autoFocus, editor]);
  useTextFromOutside(editor, text);
  return (
    <>
      <EditorContent editor={editor} />
      {slash.choices && (
        <PhraseMenu id={`${id}-phrases`} choices={slash.choices} marked={slash.marked} onChoose={slash.choose} />
      )}
    </>
  );
}

/**
 * One goes on writing where the text ends, from this very turn: the editor's own command takes the focus with the next
 * picture, and a letter typed before it has no field.
 */
function goesOnIn(editor: Editor): void {
  editor.commands.setTextSelection(editor.state.doc.content.size);
  editor.view.focus();
}

/** What was written elsewhere comes into the field; what was written here does not come back into it. */
function useTextFromOutside(editor: Editor, text: string): void {
  useEffect(() => {
    const wanted = documentOf(text);
    if (!isSameDocument(editor.getJSON(), wanted) && commentText(editor.getJSON()) !== text)
      editor.commands.setContent(wanted, { emitUpdate: false });
  }, [editor, text]);
}
