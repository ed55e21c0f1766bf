import { useEffect, useId, useState, type ComponentType, type Ref } from "react";
import type { ChangeResult } from "#core/changes";
import type { CommentEditorProps } from "../letter/comment-editor";
import { AsYouLeftIt } from "./as-you-left-it";
import { PlainText } from "./plain-text";
import type { TextHandle } from "./text-handle";
import { useKeptText } from "./use-kept-text";

interface DraftFieldProps {
  /** What text it is, the same at every showing: under this it lies among the drafts while it is not kept. */
  readonly place: string;
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly value: string;
  readonly placeholder?: string;
  readonly rows?: number;
  /** What is asked to take the focus: the field itself, or the editor in its place. */
  readonly fieldRef?: Ref<TextHandle>;
  readonly autoFocus?: boolean;
  /** Keeps a text; `seen` is what stood there when typing began. */
  readonly onKeep: (text: string, seen: string) => Promise<ChangeResult>;
  readonly onDone?: () => void;
  readonly className?: string;
  /** The text may carry strong and emphasised words, lists and links, and is written as it will be read. */
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
  onKeep,
  onDone,
  className,
  ...props
}: DraftFieldProps) {
  const { placeholder, rows = 1, fieldRef, autoFocus = false, formatted = false } = props;
  const id = useId();
  // While a phrase is being looked for, what stands after the slash is not yet said.
  const [isChoosing, setChoosing] = useState(false);
  const { text, trouble, isLeft, write, keep } = useKeptText({ place, value, waits: isChoosing, onKeep });
  const editor = useCommentEditor(formatted);
  // Whoever writes in the plain field already goes on in it: the editor comes when they have left.
  const [isPlain, setPlain] = useState(false);
  const common = {
    id,
    text,
    autoFocus,
    isWrong: trouble !== null,
    onWrite: write,
    onChoosing: setChoosing,
    onBlur: () => {
      setPlain(false);
      void keep();
    },
    onLeave: () => onDone?.(),
  };
  return (
    <div className={`relative ${className ?? ""}`}>
      <label id={`${id}-label`} htmlFor={id} className={labelHidden ? "sr-only" : "text-[13px] text-soft"}>
        {label}
      </label>
      {editor && !isPlain ? (
        <Come part={editor} {...common} placeholder={placeholder ?? ""} handle={fieldRef} />
      ) : (
        <PlainText
          {...common}
          {...{ placeholder, rows, fieldRef }}
          onFocus={() => {
            setPlain(true);
          }}
        />
      )}
      {isLeft && !trouble && <AsYouLeftIt />}
      {trouble && (
        <p role="alert" className="mt-1 text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </div>
  );
}

type EditorPart = ComponentType<CommentEditorProps>;
const loadEditor = () => import("../letter/comment-editor").then((part) => part.default);

/** The editor that has come. It is swapped in at once: while a boundary waited for it, what is typed would have no field. */
const Come = ({ part: Part, ...props }: CommentEditorProps & { readonly part: EditorPart }) => <Part {...props} />;

/** The editor of comments, once it has come; a plain field does until then, also where it never comes. */
function useCommentEditor(isWanted: boolean): EditorPart | null {
  const [editor, setEditor] = useState<EditorPart | null>(null);
  useEffect(() => {
    if (!isWanted) return;
    let valid = true;
    const idle = requestIdleCallback(() => {
      void loadEditor().then(
        (part) => {
          if (valid) setEditor(() => part);
        },
        () => undefined,
      );
    });
    return () => {
      valid = false;
      cancelIdleCallback(idle);
    };
  }, [isWanted]);
  return editor;
}
