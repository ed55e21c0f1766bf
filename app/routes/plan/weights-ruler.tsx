import { categoryColour } from "../../ui/colours";
import type { PlanRows } from "./rows";
import { inMark } from "../../ui/words/figures";

/** The weights of the course on one ruler from 0 to 100: a segment for each category, and what is missing to 100. */
export function WeightsRuler({ rows }: { readonly rows: PlanRows }) {
  const { weights, rest, sum } = rows;
  if (weights.length === 0) return null;
  const words = rest
    ? rest.kind === "missing"
      ? `${inMark(rest.percent)} % missing to 100`
      : `${inMark(rest.percent)} % above 100`
    : "weights come to 100 %";
  return (
    <div className="mt-4">
      <div
        role="img"
        aria-label={`Weights: ${weights.map(({ name, weight }) => `${name} ${inMark(weight)} %`).join(", ")}; ${words}`}
        className="flex h-6 border border-rule bg-sheet"
      >
        {weights.map((part, index) => (
          <span
            key={part.id}
            data-hint={`${part.name} ${inMark(part.weight)} %`}
            className="figures overflow-hidden border-e-2 border-b-[3px] border-e-paper px-2 text-[12.5px] leading-[21px] whitespace-nowrap"
            style={{ width: `${String(part.share * 100)}%`, borderBottomColor: categoryColour(index) }}
          >
            {part.name} {inMark(part.weight)}
          </span>
        ))}
        {rest?.kind === "missing" && <span className="hatched" style={{ width: `${String(rest.share * 100)}%` }} />}
      </div>
      <p className={`figures mt-1 text-[13.5px] ${rest ? "text-ochre" : "text-green"}`}>
        {rest ? (
          <>
            Weights come to <strong>{inMark(sum)} %</strong>: {words}. Totals are worked out on what is there.
          </>
        ) : (
          <>
            Weights come to <strong>100 %</strong>.
          </>
        )}
      </p>
    </div>
  );
}
