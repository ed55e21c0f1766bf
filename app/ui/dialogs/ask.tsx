import { AlertDialog } from "radix-ui";
import type { ReactNode } from "react";

/** Asks before something weighty is done: what would happen, and two ways out. */
export function Ask({
  open,
  title,
  action,
  children,
  onClose,
  onAct,
}: {
  readonly open: boolean;
  readonly title: string;
  /** What the button does, in words: "Remove 12 scores". */
  readonly action: string;
  readonly children: ReactNode;
  readonly onClose: () => void;
  readonly onAct: () => void;
}) {
  return (
    <AlertDialog.Root
      open={open}
      onOpenChange={(next) => {
        if (!next) onClose();
      }}
    >
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="shade" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 max-h-[86vh] w-[min(520px,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded border border-rule bg-sheet p-6 shadow-xl">
          <AlertDialog.Title className="font-serif text-[20px] font-semibold">{title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="mt-2 text-[15px]">{children}</div>
          </AlertDialog.Description>
          <div className="mt-5 flex justify-end gap-3">
            <AlertDialog.Cancel className="act act-quiet">Leave as it is</AlertDialog.Cancel>
            <AlertDialog.Action className="act act-first" onClick={onAct}>
              {action}
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
