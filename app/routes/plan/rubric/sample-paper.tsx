import { useState } from "react";
import { decimal, pointsText, type CriterionId, type Decimal } from "#core/kernel";
import type { Rubric } from "#core/model";
import { isWeighted, levelAt, proposedPoints, rulerEnds, steppedPoints, sumRubric } from "#core/scoring";
import { Ruler } from "../../../ui/parts/ruler";
import { inMark } from "../../../ui/words/figures";

/** The rubric tried out on a paper that is nobody's: levels are chosen as on the desk, and the sum adds itself. */
export function SamplePaper({ rubric, points }: { readonly rubric: Rubric; readonly points: Decimal | null }) {
  const [given, setGiven] = useState<ReadonlyMap<CriterionId, Decimal | "notApplicable">>(new Map());
  const set = (id: CriterionId, value: Decimal | "notApplicable" | null) => {
    const next = new Map(given);
    if (value === null) next.delete(id);
    else next.set(id, value);
    setGiven(next);
  };
  const total = pointsOf(rubric);
  const sum = sumRubric(rubric, { points: points ?? total }, ({ id }) => {
    const value = given.get(id) ?? null;
    return value === "notApplicable" ? { points: null, notApplicable: true } : { points: value, notApplicable: false };
  });
  return (
    <aside aria-label="Tried on a paper" className="h-fit lg:sticky lg:top-14 print:hidden">
      <h2 className="border-t-2 border-ink pt-2 font-semibold">Tried on a paper</h2>
      {rubric.criteria.map((criterion) => {
        const value = given.get(criterion.id) ?? null;
        const shown = value === "notApplicable" ? null : value;
        const level = shown === null ? null : levelAt(criterion, shown);
        return (
          <div key={criterion.id} className="border-b border-rule py-2">
            <p className="figures flex justify-between text-[14px]">
              <span className="font-semibold">{criterion.name}</span>
              <span>{value === "notApplicable" ? "does not apply" : (shown ?? "open")}</span>
            </p>
            <Ruler
              criterion={criterion}
              points={shown}
              notApplicable={value === "notApplicable"}
              others={[]}
              onPoints={(next) => {
                set(criterion.id, next);
              }}
              onPointing={() => undefined}
              onFocus={() => undefined}
              sliderRef={() => undefined}
              onKeyDown={(event) => {
                const chosen = criterion.levels[Number(event.key) - 1];
                if (chosen) set(criterion.id, proposedPoints(rubric, criterion, chosen));
                else if (event.key === "ArrowRight" || event.key === "ArrowLeft") {
                  event.preventDefault();
                  set(criterion.id, steppedPoints(criterion, shown, event.key === "ArrowRight" ? 1 : -1));
                } else if (event.key.toLowerCase() === "a") set(criterion.id, "notApplicable");
                else if (event.key === "Backspace") set(criterion.id, null);
              }}
            />
            <p className="mt-1 min-h-5 text-[13px] text-soft">{level?.descriptor ?? ""}</p>
          </div>
        );
      })}
      <p className="figures mt-2 flex justify-between text-[15px]">
        <span className="text-soft">
          {inMark(pointsText(sum.given))} of {inMark(pointsText(sum.judgedMaximum))}
          {sum.open > 0 ? `, ${String(sum.open)} open` : ""}
          {isWeighted(rubric) ? ", weighed" : ""}
        </span>
        <strong>
          {rubric.purpose === "outcomes"
            ? "no score"
            : sum.score
              ? `${inMark(pointsText(sum.score))} of ${inMark(points ?? total)}`
              : ""}
        </strong>
      </p>
      <p className="mt-1 text-[13px] text-soft">
        1 to 9 choose a level, ← → step, A does not apply, Backspace opens again.
      </p>
    </aside>
  );
}

/** What the rubric adds up to, where no assignment says otherwise. */
function pointsOf(rubric: Rubric): Decimal {
  const sum = sumRubric(rubric, { points: decimal("1") }, (criterion) => ({
    points: rulerEnds(criterion).maximum,
    notApplicable: false,
  }));
  return pointsText(sum.judgedMaximum);
}
