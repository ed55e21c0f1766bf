import { useId } from "react";
import type { Command } from "#core/changes";
import { z } from "zod/mini";
import { FormTrouble, TextField } from "../../ui/forms/fields";
import { nameText, optionalFigureText } from "../../ui/forms/schemas";
import { sending, useSchemaForm } from "../../ui/forms/use-schema-form";
import { focusStays } from "../../ui/hooks/focus-stays";

const categoryForm = z.object({ name: nameText(), weight: optionalFigureText });
const NO_CATEGORY = { name: "", weight: "" };

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
  const form = useSchemaForm(categoryForm, NO_CATEGORY);
  const id = useId();
  return (
    <form
      id={id}
      noValidate
      className="mt-8 flex flex-wrap items-start gap-3 border-t border-rule pt-4"
      onSubmit={sending(form, async ({ name, weight }) => {
        const words = await send({ type: "addCategory", name, weight });
        if (words !== null) return words;
        form.resetField("name");
        form.resetField("weight");
        if (focusStays(document.getElementById(id))) form.setFocus("name");
        return null;
      })}
    >
      <TextField
        form={form}
        name="name"
        label={first ? "Or begin with a category" : "Another category"}
        look="!w-56"
        placeholder="Papers"
      />
      {!straight && <TextField form={form} name="weight" label="Weight, %" look="!w-24" inputMode="decimal" />}
      <button type="submit" className="act act-quiet mt-5">
        Add category
      </button>
      <FormTrouble form={form} className="w-full" />
    </form>
  );
}
