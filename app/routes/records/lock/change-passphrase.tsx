import { useFetcher } from "react-router";
import { NewPassphrase, PassphraseField } from "./new-passphrase";
import { z } from "zod/mini";
import { HeldField } from "../../../ui/forms/fields";
import { sending, useSchemaForm, useTypedIn } from "../../../ui/forms/use-schema-form";
import { chosenPassphrase } from "./lock-forms";

const changeForm = z.object({ present: z.string().check(z.minLength(1)), chosen: chosenPassphrase });

export function ChangePassphrase({ known }: { readonly known: readonly string[] }) {
  const fetcher = useFetcher<Outcome>();
  const form = useSchemaForm(changeForm, { present: "", chosen: { passphrase: "", again: "" } });
  const typed = useTypedIn(form);
  const isReady = changeForm.safeParse(typed).success;
  return (
    <form
      className="grid gap-3"
      noValidate
      onSubmit={sending(form, async ({ present, chosen: { passphrase } }) => {
        await fetcher.submit({ present, passphrase }, { method: "post" });
        form.reset();
        return null;
      })}
    >
      <HeldField form={form} name="present">
        {({ value, onChange }) => <PassphraseField label="The present passphrase" value={value} onChange={onChange} />}
      </HeldField>
      <HeldField form={form} name="chosen">
        {({ value, onChange }) => (
          <NewPassphrase
            label="The new passphrase"
            known={known}
            {...value}
            onPassphrase={(passphrase, again) => {
              onChange({ passphrase, again });
            }}
          />
        )}
      </HeldField>
      <p className="flex items-center gap-4">
        <button type="submit" className="act" disabled={!isReady || fetcher.state !== "idle"}>
          Change the passphrase
        </button>
        <OutcomeLine outcome={fetcher.data} />
      </p>
    </form>
  );
}

/** What came of a form that was sent. */
export interface Outcome {
  readonly trouble: string | null;
  readonly done: string;
}

export function OutcomeLine({ outcome }: { readonly outcome: Outcome | undefined }) {
  return (
    <span role="status" className={`text-[14px] ${outcome?.trouble ? "text-wax" : "text-soft"}`}>
      {outcome && (outcome.trouble ?? outcome.done)}
    </span>
  );
}
