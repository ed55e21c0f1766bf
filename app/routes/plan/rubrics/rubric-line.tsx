import { Link } from "react-router";
import { rubricCsv, rubricJson } from "#core/formats";
import type { Rubric } from "#core/model";
import { rulerEnds } from "#core/scoring";
import { MoreMenu } from "../../../ui/dialogs/more-menu";
import { saveAs } from "../../../ui/save-as";

/** One rubric, what it is used by, and what can be done with it. */
export function RubricLine({
  rubric,
  to,
  uses,
  onAdapt,
  onRemove,
}: {
  readonly rubric: Rubric;
  readonly to: string;
  /** Names of the assignments that use it. */
  readonly uses: readonly string[];
  readonly onAdapt: () => void;
  readonly onRemove: () => void;
}) {
  return (
    <li className="flex items-center gap-4 border-b border-rule py-2.5">
      <div className="min-w-0 flex-1">
        <Link to={to} className="font-serif text-[16.5px] font-semibold">
          {rubric.name}
        </Link>
        <p className="figures truncate text-[13.5px] text-soft">
          {rubric.purpose === "outcomes" && "for outcomes only · "}
          {rubric.criteria.map((criterion) => `${criterion.name} ${rulerEnds(criterion).maximum}`).join(" · ")}
        </p>
      </div>
      <p className="w-56 text-right text-[13.5px] text-soft">
        {uses.length === 0 ? "not used yet" : `used by ${uses.join(", ")}`}
      </p>
      <MoreMenu
        label={`More for ${rubric.name}`}
        items={[
          {
            words: "Copy and adapt",
            onSelect: onAdapt,
          },
          {
            words: "Save as CSV",
            onSelect: () => {
              saveAs(new Blob([rubricCsv(rubric)], { type: "text/csv" }), `${rubric.name}.csv`);
            },
          },
          {
            words: "Save as JSON",
            onSelect: () => {
              saveAs(new Blob([rubricJson(rubric)], { type: "application/json" }), `${rubric.name}.json`);
            },
          },
          null,
          {
            words: "Remove",
            onSelect: onRemove,
          },
        ]}
      />
    </li>
  );
}
