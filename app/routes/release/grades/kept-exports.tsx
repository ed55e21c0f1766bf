import { useMemo } from "react";
import { finalGradesCsv, gradeDifferences, type FinalGrade } from "#core/formats";
import { inMark, figuresMark } from "../../../ui/words/figures";
import type { GradeExport } from "#core/model";
import { counted, momentText } from "#core/words";
import type { RecordColumn } from "../../../ui/table/column";
import { RecordTable } from "../../../ui/table/record-table";
import { saveAs } from "../../../ui/save-as";
import { Choice } from "../../../ui/fields/choice";

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
  const kept = exports.find(({ id }) => id === chosen) ?? exports[0];
  const differences = useMemo(() => (kept ? gradeDifferences(kept.grades, grades) : []), [kept, grades]);
  if (!kept) return null;
  return (
    <section aria-label="Kept exports" className="mt-4 border-t-2 border-ink pt-2">
      <h2 className="text-[16px] font-semibold">What was exported</h2>
      <div className="mt-1 flex flex-wrap items-center gap-4 text-[14px]">
        <label className="flex items-center gap-2 text-soft">
          As of
          <Choice
            className="figures !w-auto"
            value={kept.id}
            onChoose={onChoose}
            options={exports.map(
              ({ id, at, grades: list }) =>
                [id, `${momentText(at, timeZone)}, ${counted(list.length, "grade")}`] as const,
            )}
          />
        </label>
        <button
          type="button"
          className="link"
          onClick={() => {
            const blob = new Blob([finalGradesCsv(kept.grades, figuresMark())], { type: "text/csv;charset=utf-8" });
            saveAs(blob, `final-grades-${kept.at.slice(0, 10)}.csv`);
          }}
        >
          Save it again as it was
        </button>
      </div>
      {differences.length === 0 ? (
        <p className="mt-2 text-[14px] text-green">✓ Today&apos;s grades are the same.</p>
      ) : (
        <>
          <p className="mt-2 text-[14px] text-ochre">
            {counted(differences.length, "grade is", "grades are")} another today
          </p>
          <RecordTable
            label="Grades that are another today"
            records={differences}
            columns={COLUMNS}
            keyOf={({ number }) => number}
          />
        </>
      )}
    </section>
  );
}

type GradeDifference = ReturnType<typeof gradeDifferences>[number];

const COLUMNS: readonly RecordColumn<GradeDifference>[] = [
  { id: "student", head: "Student", by: ({ name }) => name, cell: ({ name }) => name },
  { id: "number", head: "Number", by: ({ number }) => number, cell: ({ number }) => number, className: "text-soft" },
  { id: "exported", head: "Exported", cell: ({ old }) => gradeWords(old), className: "figures" },
  { id: "today", head: "Today", cell: ({ present }) => gradeWords(present), className: "figures font-semibold" },
];

function gradeWords(grade: FinalGrade | null): string {
  if (!grade) return "not there";
  const terms = (grade.terms ?? []).map(({ name, percent }) => `${name} ${percentWords(percent)}`);
  return [percentWords(grade.percent), grade.letter, ...terms].filter(Boolean).join(", ");
}

const percentWords = (percent: string | null): string => (percent === null ? "–" : `${inMark(percent)} %`);
