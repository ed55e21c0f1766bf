import { useState, type SubmitEvent } from "react";
import type { Command } from "#core/changes";
import { parseDecimal, type Decimal } from "#core/kernel";
import type { Scale } from "#core/model";
import { formText } from "../../../ui/fields/form-text";
import { Choice } from "../../../ui/fields/choice";
import { inMark } from "../../../ui/words/figures";

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
  const submit = async (event: SubmitEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const fields = new FormData(form);
    const levels = readLevels(formText(fields, "levels"));
    if (!levels) {
      setTrouble("One level a line, the highest first, each with its percent if it counts: Secure 100");
      return;
    }
    const kind = formText(fields, "kind") as Scale["kind"];
    const scale = { name: formText(fields, "name"), kind, levels };
    const words = await send(
      changing ? { type: "editScale", scaleId: changing.id, ...scale } : { type: "addScale", ...scale },
    );
    setTrouble(words);
    if (words !== null) return;
    form.reset();
    setChanging(null);
  };
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
      <form
        key={changing?.id ?? "new"}
        aria-label={changing ? `Change ${changing.name}` : "Add a scale"}
        className="mt-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => void submit(event)}
      >
        <ScaleFields changing={changing} />
        <button type="submit" className="act act-quiet">
          {changing ? "Change scale" : "Add scale"}
        </button>
        {changing && (
          <button
            type="button"
            className="link pb-2 text-[14px]"
            onClick={() => {
              setChanging(null);
              setTrouble(null);
            }}
          >
            Leave it as it was
          </button>
        )}
        {trouble && (
          <p role="alert" className="w-full text-[13.5px] text-wax">
            {trouble}
          </p>
        )}
      </form>
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

const LABEL = "block text-[13px] text-soft";

/** The fields of a scale, of one that is changed or of a new one. */
function ScaleFields({ changing }: { readonly changing: Scale | null }) {
  return (
    <>
      <label className={`${LABEL} w-52`}>
        Name
        <input
          name="name"
          required
          maxLength={200}
          defaultValue={changing?.name}
          autoFocus={changing !== null}
          className="field text-[15px] text-ink"
          placeholder="Safety check"
        />
      </label>
      <label className={LABEL}>
        Kind
        <Choice
          name="kind"
          defaultValue={changing?.kind}
          className="text-[15px]"
          options={Object.entries(KINDS).map(([kind, words]) => [kind, words] as const)}
        />
      </label>
      <label className={`${LABEL} w-64`}>
        Levels, highest first
        <textarea
          name="levels"
          required
          rows={2}
          defaultValue={changing?.levels
            .map(({ name, percent }) => [name, percent].filter(Boolean).join(" "))
            .join("\n")}
          className="field text-[15px] text-ink"
          placeholder={"Pass 100\nNot yet 0"}
        />
      </label>
    </>
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
