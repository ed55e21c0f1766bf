import { useState, type SubmitEvent } from "react";
import { DialogFrame, LeaveAsItIs } from "../../../../ui/dialogs/dialog-frame";
import { formText } from "../../../../ui/fields/form-text";

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
    setTrouble(await onAct(formText(fields, "figure"), formText(fields, "reason")));
  };
  return (
    <DialogFrame title={title} detail={detail} onClose={onClose}>
      <form className="mt-3 space-y-3" onSubmit={(event) => void submit(event)}>
        <label className="block text-[13px] text-soft">
          {label}
          <input name="figure" required autoFocus autoComplete="off" className="field figures text-[15px] text-ink" />
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
          <LeaveAsItIs />
          <button type="submit" className="act act-first">
            {action}
          </button>
        </div>
      </form>
    </DialogFrame>
  );
}
