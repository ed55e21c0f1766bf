import type { Command } from "#core/changes";
import { fromLocalText, parseDecimal } from "#core/kernel";
import { counted } from "#core/words";
import { InlineField } from "../../../ui/fields/inline-field";
import { issueWords } from "../../../ui/words/words";
import type { TermRow } from "./rows";
import { DateField } from "../../../ui/time/date-field";
import { KeptDateField } from "../../../ui/time/kept-date-field";
import { inMark } from "../../../ui/words/figures";
import { z } from "zod/mini";
import { FormTrouble, HeldField, TextField } from "../../../ui/forms/fields";
import { figureText, nameText } from "../../../ui/forms/schemas";
import { sending, useSchemaForm } from "../../../ui/forms/use-schema-form";

type Send = (command: Command) => Promise<string | null>;

/** Terms with their dates and weights; work belongs to a term by its due date. */
export function Terms({
  terms,
  weights,
  timeZone,
  send,
}: {
  readonly terms: readonly TermRow[];
  readonly weights: string | null;
  readonly timeZone: string;
  readonly send: Send;
}) {
  const save = (term: Omit<TermRow, "id" | "assignments">, id: TermRow["id"] | null): Promise<string | null> => {
    const weight = parseDecimal(term.weight);
    const startsAt = fromLocalText(term.from, timeZone);
    const endsAt = fromLocalText(term.to, timeZone);
    if (!weight.ok) return Promise.resolve(issueWords(weight.issue));
    if (!startsAt || !endsAt) return Promise.resolve("A term needs a first and a last moment.");
    return send({ type: "saveTerm", termId: id, name: term.name, weight: weight.value, startsAt, endsAt });
  };
  return (
    <section aria-label="Terms">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Terms</h2>
      <p className="mt-1 text-[13px] text-soft">
        {weights === null
          ? "Without terms all work makes one total."
          : weights === "100"
            ? "Weights come to 100."
            : `Weights come to ${weights}; they are worked out on what is there.`}
      </p>
      {terms.map((term) => (
        <div key={term.id} className="mt-3 border-s-2 border-rule ps-3">
          <div className="flex items-end gap-2">
            <InlineField
              label="Term"
              className="flex-1"
              value={term.name}
              onKeep={(name) => save({ ...term, name }, term.id)}
            />
            <InlineField
              label="Weight"
              className="w-20"
              inputMode="decimal"
              value={inMark(term.weight)}
              onKeep={(weight) => save({ ...term, weight }, term.id)}
            />
          </div>
          <KeptDateField
            label="From"
            className="mt-1"
            edge="start"
            value={term.from}
            onKeep={(from) => save({ ...term, from }, term.id)}
          />
          <KeptDateField
            label="Until"
            className="mt-1"
            edge="end"
            value={term.to}
            onKeep={(to) => save({ ...term, to }, term.id)}
          />
          <p className="mt-1 flex justify-between text-[13px] text-soft">
            {counted(term.assignments, "assignment")} due in it
            <button type="button" className="link" onClick={() => void send({ type: "removeTerm", termId: term.id })}>
              Remove<span className="sr-only"> term {term.name}</span>
            </button>
          </p>
        </div>
      ))}
      <AddTerm onAdd={(term) => save(term, null)} />
    </section>
  );
}

const termForm = z.object({
  name: nameText(),
  weight: figureText,
  from: z.string().check(z.minLength(1, "Choose the first moment of the term.")),
  to: z.string().check(z.minLength(1, "Choose the last moment of the term.")),
});
const NO_TERM = { name: "", weight: "", from: "", to: "" };

function AddTerm({ onAdd }: { readonly onAdd: (term: Omit<TermRow, "id" | "assignments">) => Promise<string | null> }) {
  const form = useSchemaForm(termForm, NO_TERM);
  return (
    <details className="mt-3">
      <summary className="link text-[14px]">Add a term</summary>
      <form
        noValidate
        className="mt-2 space-y-2"
        onSubmit={sending(form, async (term) => {
          const words = await onAdd(term);
          if (words === null) form.reset();
          return words;
        })}
      >
        <div className="flex gap-2">
          <TextField form={form} name="name" label="Name" className="flex-1" placeholder="Autumn" />
          <TextField form={form} name="weight" label="Weight" className="w-20" inputMode="decimal" />
        </div>
        <HeldField form={form} name="from">
          {(held) => <DateField label="From" precision="moment" edge="start" {...held} />}
        </HeldField>
        <HeldField form={form} name="to">
          {(held) => <DateField label="Until" precision="moment" edge="end" {...held} />}
        </HeldField>
        <button type="submit" className="act act-quiet">
          Add term
        </button>
        <FormTrouble form={form} />
      </form>
    </details>
  );
}
