import type { Course } from "#core/model";
import { decimal } from "#core/kernel";
import { letterExample } from "./examples";
import { ChoiceField } from "../../../ui/fields/choice-field";
import { FigureInput } from "../../../ui/fields/figure-input";
import { readFigure } from "../../../ui/fields/read-figure";
import type { EditRules } from "./rules";
import { inMark } from "../../../ui/words/figures";

/** The letter scale and the pass mark, with totals around the highest bound as an example. */
export function Letters({ draft, edit }: { readonly draft: Course; readonly edit: EditRules }) {
  const { letters } = draft;
  return (
    <section aria-label="Letters" className="grid gap-x-12 lg:grid-cols-[1fr_420px]">
      <div>
        <h2 className="border-t-2 border-ink pt-2 font-semibold">Letters and the pass mark</h2>
        <ul className="mt-2 space-y-1.5">
          {letters.map((band, index) => (
            <LetterLine
              key={index}
              band={band}
              onBand={(fields) => {
                edit({ letters: letters.map((one, at) => (at === index ? { ...one, ...fields } : one)) });
              }}
              onRemove={() => {
                edit({ letters: letters.filter((_, at) => at !== index) });
              }}
            />
          ))}
        </ul>
        <button
          type="button"
          className="link mt-2 text-[14px]"
          onClick={() => {
            edit({ letters: [...letters, { letter: "New", from: decimal("0") }] });
          }}
        >
          Add a letter
        </button>
        <div className="mt-3 grid grid-cols-2 gap-3">
          <FigureInput
            label="Pass mark, %"
            value={inMark(draft.passMark)}
            read={readFigure}
            onRead={(passMark) => {
              edit({ passMark });
            }}
          />
          <ChoiceField
            label="Compared with"
            value={draft.lettersCompare}
            options={[
              ["displayed", "the figure as displayed"],
              ["exact", "the exact figure"],
            ]}
            onKeep={(lettersCompare) => {
              edit({ lettersCompare });
            }}
          />
        </div>
      </div>
      <AroundTheBound draft={draft} />
    </section>
  );
}

interface LetterLineProps {
  readonly band: Course["letters"][number];
  readonly onBand: (fields: Partial<Course["letters"][number]>) => void;
  readonly onRemove: () => void;
}

function LetterLine({ band, onBand, onRemove }: LetterLineProps) {
  return (
    <li className="flex items-end gap-3">
      <label className="w-24 text-[13px] text-soft">
        Letter
        <input
          className="field text-[15px] text-ink"
          value={band.letter}
          maxLength={20}
          onChange={(event) => {
            onBand({ letter: event.target.value });
          }}
        />
      </label>
      <div className="w-28">
        <FigureInput
          label="From, %"
          value={inMark(band.from)}
          read={readFigure}
          onRead={(from) => {
            onBand({ from });
          }}
        />
      </div>
      <button type="button" className="link pb-2 text-[13px]" onClick={onRemove}>
        Remove<span className="sr-only"> the letter {band.letter}</span>
      </button>
    </li>
  );
}

/** Totals around the highest bound, with what would become of them. */
function AroundTheBound({ draft }: { readonly draft: Course }) {
  return (
    <table className="h-fit w-full text-[14px]">
      <caption className="border-t-2 border-ink pt-2 pb-1 text-left font-semibold">Around the highest bound</caption>
      <thead>
        <tr className="border-b border-ink text-left text-[13px]">
          <th className="py-1 font-normal text-soft">exactly</th>
          <th className="font-normal text-soft">displayed</th>
          <th className="font-normal text-soft">letter</th>
          <th className="font-normal text-soft">passes</th>
        </tr>
      </thead>
      <tbody>
        {letterExample(draft).map((line) => (
          <tr key={line.exact} className="border-b border-rule">
            <td className="py-1">{inMark(line.exact)} %</td>
            <td>{line.shown} %</td>
            <td className="font-semibold">{line.letter}</td>
            <td className="text-soft">{line.passes ? "yes" : "no"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
