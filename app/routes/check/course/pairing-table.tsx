import { useMemo } from "react";
import type { CourseState } from "#core/model";
import { pairings, pointedWork, type Pairing } from "#core/statistics";
import { fixed, toldWhy } from "../figure-words";

/** How each assignment goes with each other one: correlation, and below it how many students it rests on. */
export function PairingTable({ state }: { readonly state: CourseState }) {
  const pairs = useMemo(() => pairings(state), [state]);
  const told = pairs.filter(({ correlation }) => correlation.ok);
  const ids = new Set(told.flatMap(({ firstId, secondId }) => [firstId, secondId]));
  const work = pointedWork(state).filter(({ id }) => ids.has(id));
  if (work.length < 2) return null;
  const between = (one: string, other: string) =>
    pairs.find(
      ({ firstId, secondId }) => (firstId === one && secondId === other) || (firstId === other && secondId === one),
    );
  return (
    <section aria-label="Assignments against each other" className="mt-8">
      <h2 className="text-[15px] font-semibold">Assignments against each other</h2>
      <p className="max-w-prose text-[14px] text-soft">
        Correlation of the scores (Pearson), with the number of students who have both. Near 1: who does well here does
        well there.
      </p>
      <div className="mt-1 overflow-x-auto">
        <table className="figures text-sm">
          <caption className="sr-only">Correlations of assignments</caption>
          <thead>
            <tr>
              <td />
              {work.slice(0, -1).map(({ id, shortName }) => (
                <th key={id} scope="col" className="px-3 py-1 text-right font-normal text-soft">
                  {shortName}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {work.slice(1).map((row, at) => (
              <tr key={row.id} className="border-b border-rule">
                <th scope="row" className="py-1 pe-4 text-left font-semibold">
                  {row.shortName}
                </th>
                {work.slice(0, at + 1).map((column) => (
                  <td key={column.id} className="px-3 py-1 text-right">
                    <PairCell pair={between(row.id, column.id)} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function PairCell({ pair }: { readonly pair: Pairing | undefined }) {
  if (!pair?.correlation.ok) {
    return (
      <span className="text-soft">
        –<span className="sr-only"> {pair && toldWhy(pair.correlation)}</span>
      </span>
    );
  }
  return (
    <>
      {fixed(pair.correlation.value, 2)} <span className="text-[12px] text-soft">({pair.count})</span>
    </>
  );
}
