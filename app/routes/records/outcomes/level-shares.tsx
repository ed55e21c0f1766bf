import type { OutcomeReport } from "#core/formats";

/** Steps of ink from the lowest level up; each step is named beside it, so that none is told by colour alone. */
const INKS = ["20%", "34%", "48%", "62%", "76%", "90%"];

/** How the class lies on an outcome's levels, piece of work by piece of work, and by each student's newest one. */
export function LevelShares({ report }: { readonly report: OutcomeReport }) {
  const rows = [
    { name: "Newest of each student", numbers: report.students.map(({ latest }) => latest?.number) },
    ...report.work.map(({ name }, place) => ({
      name,
      numbers: report.students.map(({ given }) => given[place]?.number),
    })),
  ];
  return (
    <section aria-label="How the class lies" className="mt-4">
      {rows.map(({ name, numbers }) => {
        const judged = numbers.filter((number) => number !== undefined).length;
        return (
          <div key={name} className="flex flex-wrap items-center gap-x-4 border-b border-rule py-1.5 text-[14px]">
            <span className="w-56">{name}</span>
            <span aria-hidden="true" className="flex h-4 min-w-40 flex-1 bg-rule">
              {report.levels.map((level, place) => (
                <span
                  key={level}
                  style={{
                    width: `${String((100 * numbers.filter((one) => one === place + 1).length) / Math.max(1, numbers.length))}%`,
                    background: `color-mix(in srgb, var(--ink) ${INKS[Math.round((place * (INKS.length - 1)) / Math.max(1, report.levels.length - 1))] ?? ""}, var(--sheet))`,
                  }}
                />
              ))}
            </span>
            <span className="figures text-[13.5px] text-soft">
              {judged === 0
                ? "nothing judged yet"
                : report.levels
                    .map((level, place) => `${String(numbers.filter((one) => one === place + 1).length)} ${level}`)
                    .join(" · ")}
              {judged > 0 && judged < numbers.length && ` · ${String(numbers.length - judged)} open`}
            </span>
          </div>
        );
      })}
    </section>
  );
}
