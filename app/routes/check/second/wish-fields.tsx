import { FigureInput } from "../../../ui/fields/figure-input";
import { readFigure } from "../../../ui/fields/read-figure";
import { Tick } from "../../../ui/fields/tick";
import { HeldField, TextField } from "../../../ui/forms/fields";
import type { SchemaForm } from "../../../ui/forms/use-schema-form";
import { readWhole, type WayKind, type Wish } from "./wish";

interface WishFieldsProps {
  readonly form: SchemaForm<Wish>;
}

/** Who marks a second time, how far apart is too far, and what they see. */
export function MarkerFields({ form }: WishFieldsProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <TextField form={form} name="markerName" label="Second marker" look="w-56" />
      <HeldField form={form} name="within">
        {({ value, onChange }) => (
          <FigureInput
            className="w-52"
            label="Points two judgements may differ"
            value={value}
            read={readFigure}
            onRead={onChange}
          />
        )}
      </HeldField>
      <HeldField form={form} name="blind">
        {({ value, onChange }) => (
          <Tick checked={value} onChange={onChange}>
            blind: without names and first judgements
          </Tick>
        )}
      </HeldField>
    </div>
  );
}

interface WholeFieldProps extends WishFieldsProps {
  readonly name: "every" | "count" | "seed" | "each";
  readonly label: string;
}

const WholeField = ({ form, name, label }: WholeFieldProps) => (
  <HeldField form={form} name={name}>
    {({ value, onChange }) => (
      <FigureInput className="w-28" label={label} value={String(value)} read={readWhole} onRead={onChange} />
    )}
  </HeldField>
);

/** What a way of choosing papers asks beside itself. */
export function WayFields({ form, kind }: WishFieldsProps & { readonly kind: WayKind }) {
  switch (kind) {
    case "everyNth":
      return <WholeField form={form} name="every" label="One of" />;
    case "random":
      return (
        <>
          <WholeField form={form} name="count" label="How many" />
          <WholeField form={form} name="seed" label="Seed" />
        </>
      );
    case "byLetter":
      return <WholeField form={form} name="each" label="Of each" />;
    case "nearBound":
      return (
        <HeldField form={form} name="near">
          {({ value, onChange }) => (
            <FigureInput className="w-28" label="Within, points" value={value} read={readFigure} onRead={onChange} />
          )}
        </HeldField>
      );
    default:
      return null;
  }
}
