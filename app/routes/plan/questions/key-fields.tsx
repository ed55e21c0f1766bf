import type { AnswerKey } from "#core/model";
import { Choice } from "../../../ui/fields/choice";
import { Tick } from "../../../ui/fields/tick";

interface KeyFieldsProps {
  readonly place: number;
  readonly answerKey: AnswerKey;
  readonly onChange: (key: AnswerKey) => void;
}

/** The key of one question: right options, a number with its tolerance, or the texts that are accepted. */
export function KeyFields({ place, answerKey: key, onChange }: KeyFieldsProps) {
  switch (key.kind) {
    case "written":
      return null;
    case "choice":
      return <ChoiceFields place={place} answerKey={key} onChange={onChange} />;
    case "numeric":
      return (
        <div className="mt-2 flex flex-wrap items-end gap-2 text-[13px] text-soft">
          <label>
            Number
            <input
              className="field figures block !w-32"
              value={key.value}
              placeholder="287 or 1.2e-3"
              onChange={(event) => {
                onChange({ ...key, value: event.target.value });
              }}
            />
          </label>
          <label>
            Give or take
            <input
              className="field figures block !w-24"
              value={key.tolerance}
              placeholder="0"
              onChange={(event) => {
                onChange({ ...key, tolerance: event.target.value });
              }}
            />
          </label>
          <Choice
            label={`Tolerance of question ${String(place)} in`}
            className="!w-28"
            value={key.toleranceIn}
            onChoose={(picked) => {
              onChange({ ...key, toleranceIn: picked === "percent" ? "percent" : "units" });
            }}
            options={[
              ["units", "units"],
              ["percent", "percent"],
            ]}
          />
        </div>
      );
    case "short":
      return (
        <label className="mt-2 block text-[13px] text-soft">
          Accepted, one a line; case and accents do not matter
          <textarea
            className="field field-sizing-content min-h-16 text-[14px] text-ink"
            value={key.accepted.join("\n")}
            onChange={(event) => {
              onChange({ ...key, accepted: event.target.value.split("\n") });
            }}
          />
        </label>
      );
  }
}

function ChoiceFields({
  place,
  answerKey: key,
  onChange,
}: KeyFieldsProps & { readonly answerKey: Extract<AnswerKey, { kind: "choice" }> }) {
  const letter = (index: number) => String.fromCharCode(65 + index);
  const flip = (index: number) => {
    const right = key.right.includes(index) ? key.right.filter((one) => one !== index) : [...key.right, index];
    onChange({ ...key, right: right.sort((a, b) => a - b) });
  };
  return (
    <fieldset className="mt-2">
      <legend className="text-[13px] text-soft">Options; tick the right ones</legend>
      {key.options.map((option, index) => (
        <div key={index} className="mt-1 flex items-center gap-2">
          <Tick
            label={`Option ${letter(index)} of question ${String(place)} is right`}
            checked={key.right.includes(index)}
            onChange={() => {
              flip(index);
            }}
          />
          <span className="figures w-4 text-soft">{letter(index)}</span>
          <input
            aria-label={`Option ${letter(index)} of question ${String(place)}`}
            className="field !py-1 text-[14px]"
            value={option}
            onChange={(event) => {
              onChange({ ...key, options: key.options.map((one, at) => (at === index ? event.target.value : one)) });
            }}
          />
        </div>
      ))}
      <div className="mt-1.5 flex gap-4 text-[13.5px]">
        {key.options.length < 12 && (
          <button
            type="button"
            className="link"
            onClick={() => {
              onChange({ ...key, options: [...key.options, ""] });
            }}
          >
            Add an option
          </button>
        )}
        {key.options.length > 2 && (
          <button
            type="button"
            className="link"
            onClick={() => {
              const options = key.options.slice(0, -1);
              onChange({ ...key, options, right: key.right.filter((at) => at < options.length) });
            }}
          >
            Take off the last
          </button>
        )}
        <Tick
          checked={key.partial}
          onChange={(ticked) => {
            onChange({ ...key, partial: ticked });
          }}
        >
          A part of the right ones earns a part
        </Tick>
      </div>
    </fieldset>
  );
}
