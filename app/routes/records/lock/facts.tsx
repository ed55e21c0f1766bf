import { useFetcher } from "react-router";
import { z } from "zod/mini";
import type { LockFacts } from "#storage";
import { LockFactFields } from "./lock-facts";
import { OutcomeLine, type Outcome } from "./change-passphrase";
import { HeldField } from "../../../ui/forms/fields";
import { sending, useSchemaForm, useTypedIn } from "../../../ui/forms/use-schema-form";
import { lockFacts } from "./lock-forms";

const factsForm = z.object({ facts: lockFacts });

export function Facts({ facts }: { readonly facts: LockFacts }) {
  const fetcher = useFetcher<Outcome>();
  const form = useSchemaForm(factsForm, { facts: { label: facts.label, idleMinutes: facts.idleMinutes } });
  const typed = useTypedIn(form).facts;
  const isOther = typed.label.trim() !== facts.label || typed.idleMinutes !== facts.idleMinutes;
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-4"
      noValidate
      onSubmit={sending(form, async ({ facts: { label, idleMinutes } }) => {
        await fetcher.submit({ label, idleMinutes: String(idleMinutes) }, { method: "post" });
        return null;
      })}
    >
      <HeldField form={form} name="facts">
        {({ value, onChange }) => <LockFactFields {...value} onChange={onChange} />}
      </HeldField>
      <button type="submit" className="act" disabled={!isOther || typed.label.trim() === ""}>
        Keep
      </button>
      <OutcomeLine outcome={fetcher.data} />
    </form>
  );
}
