import type { SweepRows } from "../../../ui/beside/sweep-rows";
import { Choice } from "../../../ui/fields/choice";
import { Tick } from "../../../ui/fields/tick";
import { inMark } from "../../../ui/words/figures";

interface SweepHeadProps {
  readonly rows: SweepRows;
  readonly title: string;
  /** The criterion that stands in the list: undefined for the one that is shown. */
  readonly chosen: string | undefined;
  readonly nameless: boolean;
  readonly shuffled: boolean;
  readonly onCriterion: (id: string) => void;
  readonly onNames: (hidden: boolean) => void;
  readonly onShuffle: (shuffle: boolean) => void;
}

/** The criterion the sweep goes by, its levels with their keys, how far it has come, and how the judging drifts. */
export function SweepHead({
  rows,
  title,
  chosen,
  nameless,
  shuffled,
  onCriterion,
  onNames,
  onShuffle,
}: SweepHeadProps) {
  const { criterion, drift } = rows;
  const shown = (value: number) => inMark(value.toFixed(1));
  return (
    <div className="border-b border-rule px-[18px] py-2.5">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="font-serif text-[19px] font-semibold">
          {title}: <span className="font-normal">one criterion, all papers</span>
        </h1>
        <Choice
          label="Criterion"
          className="!w-64 text-[14.5px]"
          value={chosen ?? criterion.id}
          onChoose={onCriterion}
          options={rows.criteria.map(({ id, name }) => [id, name] as const)}
        />
        <span className="figures text-[14px] text-soft">
          {rows.judged} of {rows.sheets.length} judged
        </span>
        {drift && (
          <span
            className="figures text-[14px] text-soft"
            data-hint="Mean of the first ten judged, mean of the last ten"
          >
            first ten {shown(drift.first)}, last ten {shown(drift.last)}
            {Math.abs(drift.difference) >= 1 && (
              <strong className="ms-1.5 font-semibold text-ochre">
                {drift.difference > 0 ? "growing milder" : "growing stricter"}
              </strong>
            )}
          </span>
        )}
        <Tick className="ms-auto text-[14px]" checked={nameless} onChange={onNames}>
          Without names
        </Tick>
        <Tick className="text-[14px]" checked={shuffled} onChange={onShuffle}>
          Shuffled
        </Tick>
      </div>
      <p className="figures mt-1 text-[13.5px] text-soft">
        {criterion.levels
          .map(
            ({ name, min, max }, index) =>
              `${String(index + 1)} ${name} ${inMark(min === max ? min : `${min}–${max}`)}`,
          )
          .join("  ·  ")}
        {"  ·  Enter: points  ·  B: papers beside it  ·  [ ]: other criterion"}
      </p>
    </div>
  );
}
