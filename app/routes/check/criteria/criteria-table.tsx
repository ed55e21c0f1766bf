import { useMemo } from "react";
import { Link } from "react-router";
import { criteriaOf, type CriterionFigures, type LevelUse, type RubricFigures } from "#core/statistics";
import { counted } from "#core/words";
import { inAddress } from "../../../ui/address";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { short, told, toldWhy, whyNot } from "../figure-words";
import type { Looked } from "../rows";
import { inMark } from "../../../ui/words/figures";

/** Under this a criterion hardly goes with the rest of the rubric; common practice, no source. */
const HARDLY = 0.2;
/** Share of the maximum from which a drift stands out. */
const DRIFT = 0.1;

/** What each criterion tells about the class. */
export function CriteriaTable({
  slot,
  looked,
  whole,
}: {
  readonly slot: string;
  readonly looked: Looked;
  /** With what each level is worth in the rest, and alpha. */
  readonly whole: boolean;
}) {
  const { state, assignment, scorings, order } = looked;
  const figures = useMemo(() => criteriaOf(state, assignment, scorings, order), [state, assignment, scorings, order]);
  const columns = useMemo(() => columnsOf(slot, assignment.id), [slot, assignment.id]);
  if (!figures?.criteria.some(({ count }) => count > 0)) {
    return <p className="mt-6 text-soft">No paper is judged by its criteria yet.</p>;
  }
  return (
    <section aria-label="Criteria" className="mt-6">
      <RecordTable
        label="Criteria"
        records={figures.criteria}
        columns={columns}
        keyOf={({ criterion }) => criterion.id}
      />
      <p className="mt-2 text-[14px] text-soft">{leastTelling(figures)}</p>
      {whole && (
        <>
          <Reliability figures={figures} />
          <LevelsWorth figures={figures} />
        </>
      )}
    </section>
  );
}

const columnsOf = (slot: string, assignmentId: string): readonly RecordColumn<CriterionFigures>[] => [
  {
    id: "criterion",
    head: "Criterion",
    cell: ({ criterion }) => (
      <Link
        className="font-semibold hover:underline"
        to={`/courses/${slot}/sweep/${inAddress(assignmentId)}?criterion=${inAddress(criterion.id)}`}
      >
        {criterion.name}
      </Link>
    ),
  },
  {
    id: "mean",
    head: "Mean",
    figures: true,
    by: ({ mean, maximum }) => (mean.ok ? mean.value / maximum : null),
    cell: ({ mean, maximum }) => `${told(mean)} / ${short(maximum)}`,
  },
  {
    id: "spread",
    head: "Spread",
    figures: true,
    by: ({ spread }) => (spread.ok ? spread.value : null),
    cell: ({ spread }) => <Told found={spread} />,
  },
  {
    id: "levels",
    head: "Levels used",
    cell: ({ levels }) => <LevelStrip levels={levels} />,
    className: "ps-6",
    headClassName: "ps-6",
  },
  {
    id: "rest",
    head: "Goes with the rest",
    figures: true,
    by: ({ withRest }) => (withRest.ok ? withRest.value : null),
    cell: ({ withRest }) => <Told found={withRest} places={2} stands={withRest.ok && withRest.value < HARDLY} />,
  },
  {
    id: "drift",
    head: "First ten → last ten",
    figures: true,
    by: ({ drift }) => drift?.difference ?? null,
    cell: ({ drift, maximum }) =>
      drift ? (
        <span className={Math.abs(drift.difference) >= DRIFT * maximum ? "font-semibold text-ochre" : ""}>
          {inMark(drift.first.toFixed(1))} → {inMark(drift.last.toFixed(1))}
        </span>
      ) : (
        <span className="text-soft">needs 20 papers</span>
      ),
  },
];

/** A statistic in a cell; one that stands out is strong and ochre, one without a value says why. */
function Told({
  found,
  places = 1,
  stands = false,
}: {
  readonly found: CriterionFigures["spread"];
  readonly places?: number;
  readonly stands?: boolean;
}) {
  const why = toldWhy(found);
  return (
    <span className={stands ? "font-semibold text-ochre" : ""}>
      {told(found, places)}
      {why && <span className="sr-only"> {why}</span>}
    </span>
  );
}

/** How often each level was given, as a strip from the lowest to the highest. */
function LevelStrip({ levels }: { readonly levels: readonly LevelUse[] }) {
  const all = levels.reduce((total, { count }) => total + count, 0);
  const words = levels.map(({ level, count }) => `${level.name} ${String(count)}`).join(", ");
  return (
    <span role="img" aria-label={words} className="flex h-3.5 w-[120px] border border-rule">
      {levels.map(({ level, count }, at) => (
        <span
          key={level.id}
          className={`h-full ${SHADES[Math.round((at / Math.max(1, levels.length - 1)) * (SHADES.length - 1))] ?? ""}`}
          style={{ width: `${String((100 * count) / (all || 1))}%` }}
        />
      ))}
    </span>
  );
}

/** From the lowest level to the highest. */
const SHADES = ["bg-rule", "bg-green-wash", "bg-green-mid", "bg-green"];

function leastTelling(figures: RubricFigures): string {
  const told = figures.criteria
    .flatMap((one) => {
      const most = [...one.levels].sort((a, b) => b.count - a.count)[0];
      return most && one.count > 1 ? [{ one, most, share: most.count / one.count }] : [];
    })
    .sort((a, b) => b.share - a.share)[0];
  if (!told || told.share < 0.6) return `Over ${counted(figures.complete, "paper")} judged by every criterion.`;
  const { one, most } = told;
  return `${one.criterion.name} tells papers apart least: ${String(most.count)} of ${String(one.count)} stand at “${most.level.name}”.`;
}

/** How far the sum can be trusted, with what it is worked out from. */
function Reliability({ figures }: { readonly figures: RubricFigures }) {
  const { alpha, error, complete } = figures;
  const weaker = figures.criteria.filter(
    ({ alphaWithout }) => alpha.ok && alphaWithout.ok && alphaWithout.value > alpha.value,
  );
  return (
    <div className="mt-6 max-w-prose text-[14px]">
      <h2 className="text-[15px] font-semibold">The rubric as a whole</h2>
      {alpha.ok ? (
        <p className="figures mt-1">
          Cronbach’s alpha {inMark(alpha.value.toFixed(2))} over {counted(complete, "paper")};{" "}
          {error.ok
            ? `standard error of a sum ${inMark(error.value.toFixed(1))} points: two papers closer than ${inMark((2 * error.value).toFixed(1))} points need not differ.`
            : `standard error not computable: ${whyNot(error.issue)}.`}
        </p>
      ) : (
        <p className="mt-1 text-soft">Cronbach’s alpha is not computable: {whyNot(alpha.issue)}.</p>
      )}
      {weaker.length > 0 && (
        <p className="mt-1 text-soft">
          Without {weaker.map(({ criterion }) => criterion.name).join(", or without ")} the rest would go together
          better.
        </p>
      )}
      <p className="mt-1 text-soft">
        Alpha: L. J. Cronbach (1951), Psychometrika 16, 297–334. Criteria that measure different things lower it without
        being wrong.
      </p>
    </div>
  );
}

/** What papers at each level were given for all other criteria. */
function LevelsWorth({ figures }: { readonly figures: RubricFigures }) {
  if (figures.criteria.length < 2) return null;
  return (
    <div className="mt-6">
      <h2 className="text-[15px] font-semibold">What each level goes with in the rest</h2>
      <table className="figures mt-1 w-full max-w-[720px] text-sm">
        <caption className="sr-only">Mean of the other criteria by level</caption>
        <tbody>
          {figures.criteria.map(({ criterion, levels }) => (
            <tr key={criterion.id} className="border-b border-rule align-baseline">
              <th scope="row" className="py-1.5 pe-4 text-left font-semibold">
                {criterion.name}
              </th>
              {levels.map(({ level, count, restMean }) => (
                <td key={level.id} className="py-1.5 pe-4">
                  <span className="text-soft">{level.name}</span>{" "}
                  {restMean === null ? "–" : inMark(restMean.toFixed(1))}{" "}
                  <span className="text-[13px] text-soft">({count})</span>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
