import { useId, useState } from "react";
import type { Command } from "#core/changes";
import { parseDecimal, type Decimal } from "#core/kernel";
import type { Scale } from "#core/model";
import { Choice } from "../../../ui/fields/choice";
import { inMark } from "../../../ui/words/figures";
import { z } from "zod/mini";
import { FormTrouble, HeldField, TextField } from "../../../ui/forms/fields";
import { nameText } from "../../../ui/forms/schemas";
import { sending, useSchemaForm } from "../../../ui/forms/use-schema-form";

const KINDS: Readonly<Record<Scale["kind"], string>> = {
  passNotYet: "pass and not yet",
  attainment: "attainment",
  words: "words only",
};

/** Short scales of words: pass and not yet, attainment levels, or words that count nowhere. */
export function Scales({
  scales,
  send,
}: {
  readonly scales: readonly Scale[];
  /** Answers words of trouble, or null. */
  readonly send: (command: Command) => Promise<string | null>;
}) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [changing, setChanging] = useState<Scale | null>(null);
  return (
    <section aria-label="Short scales">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Short scales</h2>
      <ul className="mt-1 text-[14.5px]">
        {scales.map((scale) => (
          <ScaleLine
            key={scale.id}
            scale={scale}
            onChange={() => {
              setChanging(scale);
              setTrouble(null);
            }}
            onRemove={() => void send({ type: "removeScale", scaleId: scale.id }).then(setTrouble)}
          />
        ))}
      </ul>
      {scales.length === 0 && (
        <p className="mt-1 text-[14px] text-soft">None yet. An assignment can be scored on one in place of points.</p>
      )}
      {trouble && (
        <p role="alert" className="mt-2 text-[13.5px] text-wax">
          {trouble}
        </p>
      )}
      <ScaleForm
        key={changing?.id ?? "new"}
        changing={changing}
        send={send}
        onDone={() => {
          setChanging(null);
          setTrouble(null);
        }}
      />
    </section>
  );
}

function ScaleLine({
  scale,
  onChange,
  onRemove,
}: {
  readonly scale: Scale;
  readonly onChange: () => void;
  readonly onRemove: () => void;
}) {
  return (
    <li className="flex items-baseline gap-4 border-b border-rule py-1.5">
      <span className="flex-1">
        <strong className="font-semibold">{scale.name}</strong> <span className="text-soft">{KINDS[scale.kind]}: </span>
        {scale.levels
          .map((level) => (level.percent === null ? level.name : `${level.name} ${inMark(level.percent)} %`))
          .join(" · ")}
      </span>
      <button type="button" className="link text-[13px]" onClick={onChange}>
        Change<span className="sr-only"> {scale.name}</span>
      </button>
      <button type="button" className="link text-[13px]" onClick={onRemove}>
        Remove<span className="sr-only"> {scale.name}</span>
      </button>
    </li>
  );
}

const scaleForm = z.object({
  name: nameText(),
  kind: z.enum(["passNotYet", "attainment", "words"]),
  levels: z.pipe(
    z.string(),
    z.transform((text, context) => {
      const levels = readLevels(text);
      if (levels) return levels;
      const message = "One level a line, the highest first, each with its percent if it counts: Secure 100";
      context.issues.push({ code: "custom", message, input: text });
      return z.NEVER;
    }),
  ),
});

interface ScaleFormProps {
  readonly changing: Scale | null;
  readonly send: (command: Command) => Promise<string | null>;
  readonly onDone: () => void;
}

/** The fields of a scale, of one that is changed or of a new one. */
function ScaleForm({ changing, send, onDone }: ScaleFormProps) {
  const levelsText = changing?.levels.map(({ name, percent }) => [name, percent].filter(Boolean).join(" ")).join("\n");
  const form = useSchemaForm(scaleForm, {
    name: changing?.name ?? "",
    kind: changing?.kind ?? "passNotYet",
    levels: levelsText ?? "",
  });
  const id = useId();
  return (
    <form
      noValidate
      aria-label={changing ? `Change ${changing.name}` : "Add a scale"}
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={sending(form, async (scale) => {
        const words = await send(
          changing ? { type: "editScale", scaleId: changing.id, ...scale } : { type: "addScale", ...scale },
        );
        if (words !== null) return words;
        form.reset();
        onDone();
        return null;
      })}
    >
      <TextField
        form={form}
        name="name"
        label="Name"
        className="w-52"
        autoFocus={changing !== null}
        placeholder="Safety check"
      />
      <HeldField form={form} name="kind">
        {({ value, onChange }) => (
          <label className="block text-[13px] text-soft">
            Kind
            <Choice
              className="text-[15px]"
              value={value}
              onChoose={onChange}
              options={(Object.keys(KINDS) as Scale["kind"][]).map((kind) => [kind, KINDS[kind]] as const)}
            />
          </label>
        )}
      </HeldField>
      <HeldField form={form} name="levels">
        {({ value, onChange, isWrong }) => (
          <label htmlFor={id} className="block w-64 text-[13px] text-soft">
            Levels, highest first
            <textarea
              id={id}
              rows={2}
              value={value}
              aria-invalid={isWrong}
              onChange={(event) => {
                onChange(event.target.value);
              }}
              className="field text-[15px] text-ink"
              placeholder={"Pass 100\nNot yet 0"}
            />
          </label>
        )}
      </HeldField>
      <button type="submit" className="act act-quiet">
        {changing ? "Change scale" : "Add scale"}
      </button>
      {changing && (
        <button type="button" className="link pb-2 text-[14px]" onClick={onDone}>
          Leave it as it was
        </button>
      )}
      <FormTrouble form={form} className="w-full" />
    </form>
  );
}

/** `Secure 100` a line; a line without a figure counts nowhere. */
function readLevels(text: string): { name: string; percent: Decimal | null }[] | null {
  const lines = text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean);
  const levels = lines.map((line) => {
    const match = /^(.*?)\s+(\d+(?:[.,]\d+)?)\s*%?$/.exec(line);
    const percent = match ? parseDecimal(match[2] ?? "") : null;
    return { name: match?.[1] ?? line, percent: percent?.ok ? percent.value : null };
  });
  return levels.length > 0 && levels.every(({ name }) => name !== "") ? levels : null;
}
