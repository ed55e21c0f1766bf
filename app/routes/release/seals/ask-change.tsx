import { useMemo, useState, type ReactNode } from "react";
import { runCommand, type Command, type Context } from "#core/changes";
import type { CourseState } from "#core/model";
import { visibleChanges } from "#core/release";
import { DialogFrame } from "../../../ui/dialogs/dialog-frame";
import { PreviewList } from "../preview-list";

/** Asks before a seal changes: who would see what, in numbers and names, and the button that does it. */
export function AskChange({
  title,
  detail,
  action,
  state,
  context,
  command,
  nameOf,
  children,
  onSend,
  onClose,
}: {
  readonly title: string;
  readonly detail: string;
  readonly action: string;
  readonly state: CourseState;
  readonly context: Context;
  /** Null while something is still to be chosen. */
  readonly command: Command | null;
  readonly nameOf: (id: string) => string;
  readonly children?: ReactNode;
  readonly onSend: (command: Command) => Promise<string | null>;
  readonly onClose: () => void;
}) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const preview = useMemo(() => {
    if (!command) return null;
    const next = runCommand(state, command, context);
    return next.ok ? visibleChanges(state, next.value.state) : next.issue;
  }, [state, context, command]);
  return (
    <DialogFrame title={title} detail={detail} width="wide" onClose={onClose}>
      {children}
      {preview && <PreviewList preview={preview} nameOf={nameOf} />}
      {trouble && (
        <p role="alert" className="mt-2 text-[14px] text-wax">
          {trouble}
        </p>
      )}
      <div className="mt-5 flex justify-end gap-3">
        <button type="button" className="act act-quiet" onClick={onClose}>
          Leave as it is
        </button>
        <button
          type="button"
          className="act act-first"
          disabled={!command || (preview !== null && "code" in preview)}
          onClick={() => {
            if (!command) return;
            void onSend(command).then((words) => {
              setTrouble(words);
              if (words === null) onClose();
            });
          }}
        >
          {action}
        </button>
      </div>
    </DialogFrame>
  );
}
