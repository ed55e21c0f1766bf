import { useState, type SubmitEvent } from "react";
import type { Command } from "#core/changes";
import { formText } from "../../ui/fields/form-text";
import { parseDecimal } from "#core/kernel";
import { issueWords } from "../../ui/words/words";

/** One line for a new category: its name and weight. */
export function AddCategory({
  first,
  straight,
  send,
}: {
  readonly first: boolean;
  readonly straight: boolean;
  readonly send: (command: Command) => Promise<string | null>;
}) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const submit = async (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const fields = new FormData(form);
    const weight = formText(fields, "weight") === "" ? null : parseDecimal(formText(fields, "weight"));
    if (weight && !weight.ok) {
      setTrouble(issueWords(weight.issue));
      return;
    }
    const words = await send({ type: "addCategory", name: formText(fields, "name"), weight: weight?.value ?? null });
    setTrouble(words);
    if (words !== null) return;
    form.reset();
    form.querySelector<HTMLInputElement>("input")?.focus();
  };
  return (
    <form
      className="mt-8 flex flex-wrap items-end gap-3 border-t border-rule pt-4"
      onSubmit={(event) => void submit(event)}
    >
      <label className="text-[13px] text-soft">
        {first ? "Or begin with a category" : "Another category"}
        <input
          name="name"
          required
          maxLength={200}
          className="field block !w-56 text-[15px] text-ink"
          placeholder="Papers"
        />
      </label>
      {!straight && (
        <label className="text-[13px] text-soft">
          Weight, %
          <input name="weight" inputMode="decimal" className="field block !w-24 text-[15px] text-ink" />
        </label>
      )}
      <button type="submit" className="act act-quiet">
        Add category
      </button>
      {trouble && (
        <p role="alert" className="w-full text-[14px] text-wax">
          {trouble}
        </p>
      )}
    </form>
  );
}
