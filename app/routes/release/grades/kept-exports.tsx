import { finalGradesCsv, gradeDifferences, type FinalGrade } from "#core/formats";
import type { GradeExport } from "#core/model";
import { counted, momentText } from "#core/words";
import { saveAs } from "../../../ui/save-as";

/** Exports that were made, each as it was, against what stands today. */
export function KeptExports({
  exports,
  grades,
  timeZone,
  chosen,
  onChoose,
}: {
  readonly exports: readonly GradeExport[];
  readonly grades: readonly FinalGrade[];
  readonly timeZone: string;
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
}) {
  if (exports.length === 0) return null;
  const kept = exports.find(({ id }) => id === chosen) ?? exports[0];
  const differences = kept ? gradeDifferences(kept.grades, grades) : [];
  const gradeWords = (grade: FinalGrade | null) =>
    grade
      ? [
          grade.percent === null ? "–" : `${grade.percent} %`,
          grade.letter,
          ...(grade.terms ?? []).map(({ name, percent }) => `${name} ${percent === null ? "–" : `${percent} %`}`),
        ]
          .filter(Boolean)
          .join(", ")
      : "not there";
  return (
    <section aria-label="Kept exports" className="mt-4 border-t-2 border-ink pt-2">
      <h2 className="text-[16px] font-semibold">What was exported</h2>
      <div className="mt-1 flex flex-wrap items-center gap-4 text-[14px]">
        <label className="flex items-center gap-2 text-soft">
          As of
          <select
            className="field figures !w-auto text-ink"
            value={kept?.id ?? ""}
            onChange={(event) => {
              onChoose(event.target.value);
            }}
          >
            {exports.map(({ id, at, grades: list }) => (
              <option key={id} value={id}>
                {momentText(at, timeZone)}, {counted(list.length, "grade")}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="link"
          onClick={() => {
            if (kept) {
              const blob = new Blob([finalGradesCsv(kept.grades)], { type: "text/csv;charset=utf-8" });
              saveAs(blob, `final-grades-${kept.at.slice(0, 10)}.csv`);
            }
          }}
        >
          Save it again as it was
        </button>
      </div>
      {differences.length === 0 ? (
        <p className="mt-2 text-[14px] text-green">✓ Today&apos;s grades are the same.</p>
      ) : (
        <table className="figures mt-2 w-full text-[14px]">
          <caption className="pb-1 text-left text-ochre">
            {counted(differences.length, "grade is", "grades are")} another today
          </caption>
          <thead>
            <tr className="border-b border-rule text-left text-[13.5px] text-soft">
              <th className="py-1 font-normal">Student</th>
              <th className="font-normal">Number</th>
              <th className="font-normal">Exported</th>
              <th className="font-normal">Today</th>
            </tr>
          </thead>
          <tbody>
            {differences.map(({ name, number, old, present }) => (
              <tr key={number} className="border-b border-rule">
                <td className="py-1">{name}</td>
                <td className="text-soft">{number}</td>
                <td>{gradeWords(old)}</td>
                <td className="font-semibold">{gradeWords(present)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
