import { Dialog } from "radix-ui";
import { useState, type SubmitEvent } from "react";

/** Asks for an entry, and for a reason where one is wanted, before a bulk action is looked over. */
export function AskFigure({
  title,
  detail,
  label,
  action,
  withReason,
  onAct,
  onClose,
}: {
  readonly title: string;
  readonly detail: string;
  readonly label: string;
  readonly action: string;
  readonly withReason: boolean;
  /** Answers words of trouble, or null. */
  readonly onAct: (text: string, reason: string) => Promise<string | null>;
  readonly onClose: () => void;
}) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const submit = async (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const fields = new FormData(event.currentTarget);
    const text = fields.get("figure");
    const reason = fields.get("reason");
    setTrouble(
      await onAct(typeof text === "string" ? text.trim() : "", typeof reason === "string" ? reason.trim() : ""),
    );
  };
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 w-[min(460px,94vw)] -translate-x-1/2 -translate-y-1/2 rounded border border-rule bg-sheet p-6 shadow-xl">
          <Dialog.Title className="font-serif text-[20px] font-semibold">{title}</Dialog.Title>
          <Dialog.Description className="mt-1 text-[14.5px] text-soft">{detail}</Dialog.Description>
          <form className="mt-3 space-y-3" onSubmit={(event) => void submit(event)}>
            <label className="block text-[13px] text-soft">
              {label}
              <input
                name="figure"
                required
                autoFocus
                autoComplete="off"
                className="field figures text-[15px] text-ink"
              />
            </label>
            {withReason && (
              <label className="block text-[13px] text-soft">
                Reason, for the journal
                <input name="reason" required maxLength={500} className="field text-[15px] text-ink" />
              </label>
            )}
            {trouble && (
              <p role="alert" className="text-[13.5px] text-wax">
                {trouble}
              </p>
            )}
            <div className="flex justify-end gap-3">
              <Dialog.Close className="act act-quiet">Leave as it is</Dialog.Close>
              <button type="submit" className="act act-first">
                {action}
              </button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
