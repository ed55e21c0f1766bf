import { useId, type ComponentProps, type ReactNode } from "react";
import { useController, useFormState, type FieldPathValue, type FieldValues, type Path } from "react-hook-form";
import type { SchemaForm } from "./use-schema-form";

interface FieldOf<Typed extends FieldValues, Read, Name extends Path<Typed>> {
  readonly form: SchemaForm<Typed, Read>;
  readonly name: Name;
}

/** Why a field is refused, for who sees it and for who hears it. */
function Fault({ id, words }: { readonly id: string; readonly words: string | undefined }) {
  return words === undefined ? null : (
    <span id={id} role="alert" className="block text-[13px] text-wax">
      {words}
    </span>
  );
}

type TextFieldProps<Typed extends FieldValues, Read, Name extends Path<Typed>> = FieldOf<Typed, Read, Name> &
  Omit<ComponentProps<"input">, "name" | "form" | "className"> & {
    readonly label: ReactNode;
    readonly className?: string;
    readonly look?: string;
  };

/** A line of text in a form, with its label and what is wrong with it. */
export function TextField<Typed extends FieldValues, Read, Name extends Path<Typed>>({
  form,
  name,
  label,
  className = "",
  look = "",
  ...input
}: TextFieldProps<Typed, Read, Name>) {
  const id = useId();
  const { field, fieldState } = useController({ control: form.control, name });
  return (
    <div className={`text-[13px] text-soft ${className}`}>
      <label htmlFor={id} className="block">
        {label}
      </label>
      <input
        {...input}
        {...field}
        id={id}
        className={`field block text-[15px] text-ink ${look}`}
        aria-invalid={fieldState.invalid}
        aria-describedby={fieldState.invalid ? `${id}-fault` : undefined}
      />
      <Fault id={`${id}-fault`} words={fieldState.error?.message} />
    </div>
  );
}

interface Held<Value> {
  readonly value: Value;
  readonly onChange: (value: Value) => void;
  readonly isWrong: boolean;
}

/** A field of any other kind: a choice, a date, a tick. */
export function HeldField<Typed extends FieldValues, Read, Name extends Path<Typed>>({
  form,
  name,
  children,
}: FieldOf<Typed, Read, Name> & { readonly children: (held: Held<FieldPathValue<Typed, Name>>) => ReactNode }) {
  const id = useId();
  const { field, fieldState } = useController({ control: form.control, name });
  return (
    <div>
      {children({ value: field.value, onChange: field.onChange, isWrong: fieldState.invalid })}
      <Fault id={id} words={fieldState.error?.message} />
    </div>
  );
}

/** Why a form was refused as a whole. */
export function FormTrouble<Typed extends FieldValues, Read>({
  form,
  className = "",
}: {
  readonly form: SchemaForm<Typed, Read>;
  readonly className?: string;
}) {
  const { errors } = useFormState({ control: form.control });
  return errors.root?.message === undefined ? null : (
    <p role="alert" className={`text-[13.5px] text-wax ${className}`}>
      {errors.root.message}
    </p>
  );
}
