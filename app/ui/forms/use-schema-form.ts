import { zodResolver } from "@hookform/resolvers/zod";
import { useForm, useWatch, type DefaultValues, type FieldValues, type UseFormReturn } from "react-hook-form";
import type { z } from "zod/mini";

/** A form as its fields need it: what is typed, and what is read from it. */
export type SchemaForm<Typed extends FieldValues, Read = Typed> = UseFormReturn<Typed, unknown, Read>;

/**
 * A form of several fields. What is typed is held against the schema when it is sent, and from then on as it is typed;
 * each error stands at its field, and the first of them gets the focus.
 */
export const useSchemaForm = <Typed extends FieldValues, Read extends FieldValues>(
  schema: z.ZodMiniType<Read, Typed>,
  typed: DefaultValues<Typed>,
): SchemaForm<Typed, Read> => useForm<Typed, unknown, Read>({ resolver: zodResolver(schema), defaultValues: typed });

/** What stands in a form as it is typed. */
export const useTypedIn = <Typed extends FieldValues, Read>(form: SchemaForm<Typed, Read>): Typed =>
  useWatch({ control: form.control, compute: (typed: Typed) => typed });

/** What a form does when it is sent: what was read, or words of trouble where it was refused as a whole. */
export const sending =
  <Typed extends FieldValues, Read>(
    form: SchemaForm<Typed, Read>,
    send: (read: Read) => Promise<string | null | undefined>,
  ) =>
  (event: { readonly preventDefault: () => void }): void => {
    void form.handleSubmit(async (read) => {
      const words = await send(read);
      if (words != null) form.setError("root", { message: words });
    })(event as Parameters<ReturnType<SchemaForm<Typed, Read>["handleSubmit"]>>[0]);
  };
