import { useMemo, useState, type ReactNode } from "react";
import type { Command, Context } from "#core/changes";
import type { CourseState } from "#core/model";
import { DialogFrame } from "../../../ui/dialogs/dialog-frame";
import { useStepped } from "../../../ui/hooks/use-stepped";
import { PreviewList } from "../preview-list";
import { previewed } from "../previewed";

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
  const asked = useMemo(() => (command ? () => previewed(state, command, context) : null), [state, context, command]);
  const { value: preview, isBehind } = useStepped(asked);
  return (
    <DialogFrame title={title} detail={detail} width="wide" onClose={onClose}>
      {children}
      {preview && !isBehind && <PreviewList preview={preview} nameOf={nameOf} />}
      {isBehind && <p className="mt-2 text-[14px] text-soft">Looking who would see what…</p>}
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
          disabled={!command || isBehind || (preview !== null && "code" in preview)}
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
