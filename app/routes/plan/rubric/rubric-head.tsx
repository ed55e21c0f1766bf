import { rubricCsv, rubricJson } from "#core/formats";
import type { Rubric } from "#core/model";
import { isWeighted } from "#core/scoring";
import { counted } from "#core/words";
import { saveAs } from "../../../ui/save-as";
import { Choice } from "../../../ui/fields/choice";
import { Tick } from "../../../ui/fields/tick";

interface RubricHeadProps {
  readonly rubric: Rubric;
  readonly uses: readonly string[];
  readonly judged: number;
  readonly edit: (fields: Partial<Rubric>) => void;
}

/** The rubric as a whole: its name, what it is for, what a chosen level proposes, and how it leaves the application. */
export function RubricHead({ rubric, uses, judged, edit }: RubricHeadProps) {
  const label = "text-[13px] text-soft";
  return (
    <div className="mt-5">
      <div className="flex flex-wrap items-end gap-4 print:hidden">
        <label className={`${label} w-72`}>
          Name
          <input
            className="field text-[15px] text-ink"
            maxLength={200}
            value={rubric.name}
            onChange={(event) => {
              edit({ name: event.target.value });
            }}
          />
        </label>
        <label className={label}>
          It is for
          <Choice
            className="text-[15px]"
            value={rubric.purpose}
            onChoose={(picked) => {
              edit({ purpose: picked });
            }}
            options={[
              ["score", "the score"],
              ["outcomes", "outcomes only"],
            ]}
          />
        </label>
        <label className={label}>
          A chosen level proposes
          <Choice
            className="text-[15px]"
            value={rubric.proposal}
            onChoose={(picked) => {
              edit({ proposal: picked });
            }}
            options={[
              ["top", "its top"],
              ["middle", "its middle"],
              ["bottom", "its bottom"],
            ]}
          />
        </label>
        {!isWeighted(rubric) && (
          <div className="flex h-9 items-center text-[14px]">
            <Tick
              checked={rubric.scaled}
              onChange={(ticked) => {
                edit({ scaled: ticked });
              }}
            >
              Scaled to the assignment&rsquo;s points
            </Tick>
          </div>
        )}
        <span className="flex-1" />
        <WaysOut rubric={rubric} />
      </div>
      <p className="mt-2 text-[13.5px] text-soft">
        {uses.length === 0 ? "No assignment uses it yet." : `Used by ${uses.join(", ")}.`}
        {judged > 0 &&
          ` ${counted(judged, "paper is", "papers are")} judged by it; a change is looked at before it is made.`}
      </p>
    </div>
  );
}

/** How a rubric leaves the application: as a table, as data, on paper. */
function WaysOut({ rubric }: { readonly rubric: Rubric }) {
  return (
    <>
      <button
        type="button"
        className="link pb-2 text-[14px]"
        onClick={() => {
          saveAs(new Blob([rubricCsv(rubric)], { type: "text/csv" }), `${rubric.name}.csv`);
        }}
      >
        CSV
      </button>
      <button
        type="button"
        className="link pb-2 text-[14px]"
        onClick={() => {
          saveAs(new Blob([rubricJson(rubric)], { type: "application/json" }), `${rubric.name}.json`);
        }}
      >
        JSON
      </button>
      <button
        type="button"
        className="link pb-2 text-[14px]"
        onClick={() => {
          window.print();
        }}
      >
        Print
      </button>
    </>
  );
}
