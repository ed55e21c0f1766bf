import { DialogFrame, LeaveAsItIs } from "../../../../ui/dialogs/dialog-frame";
import { z } from "zod/mini";
import { FormTrouble, TextField } from "../../../../ui/forms/fields";
import { sending, useSchemaForm } from "../../../../ui/forms/use-schema-form";

const figureAlone = z.object({
  figure: z.string().check(z.trim(), z.minLength(1, "Type an entry.")),
  reason: z.string(),
});
const figureWithReason = z.extend(figureAlone, {
  reason: z
    .string()
    .check(z.trim(), z.minLength(1, "Say why, in a few words."), z.maxLength(500, "At most 500 letters.")),
});

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
  const form = useSchemaForm(withReason ? figureWithReason : figureAlone, { figure: "", reason: "" });
  return (
    <DialogFrame title={title} detail={detail} onClose={onClose}>
      <form
        noValidate
        className="mt-3 space-y-3"
        onSubmit={sending(form, ({ figure, reason }) => onAct(figure, reason))}
      >
        <TextField form={form} name="figure" label={label} autoFocus autoComplete="off" look="figures" />
        {withReason && <TextField form={form} name="reason" label="Reason, for the journal" />}
        <FormTrouble form={form} />
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
