import { useMemo, useState } from "react";
import { sealDigits } from "#core/changes";
import { localToday } from "#core/kernel";
import { finalGrades, finalGradesCsv, openBeforeGrades, rosterResultsArchive } from "#core/formats";
import { CSV_WORDS } from "../../../ui/words/figures";
import { courseOf, gradeExportsOf } from "#core/model";
import { counted } from "#core/words";
import { live, useLive } from "../../../course/live";
import { openCourse } from "../../../course/open-course";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { saveAs } from "../../../ui/save-as";
import { useJob } from "../../../ui/hooks/use-job";
import { troubleOf } from "../../../ui/hooks/use-command";
import { UnderStep } from "../../../ui/parts/under-step";
import { useChange } from "../../../course/use-change";
import { KeptExports } from "./kept-exports";
import { Reports } from "./reports";
import { RecordTable } from "../../../ui/table/record-table";
import type { Route } from "./+types/page";
import { gradeColumns } from "./grade-columns";
import { BeforeExport } from "./before-export";

export async function clientLoader({ params, context }: Route.ClientLoaderArgs) {
  const { session } = await openCourse(context, params.slot);
  return {
    shown: live(session, (state) => ({
      state,
      grades: finalGrades(state),
      entries: session.entries,
      seal: sealDigits(session.seal),
      at: session.now(),
    })),
  };
}

export default function GradesPage({ loaderData, params }: Route.ComponentProps) {
  const { state, grades, entries, seal, at } = useLive(loaderData.shown);
  const job = useJob();
  const change = useChange();
  const { timeZone, decimalMark } = courseOf(state);
  const columns = useMemo(() => gradeColumns(grades, courseOf(state).percentPlaces), [grades, state]);
  const { waiting, undecided } = openBeforeGrades(state);
  const without = grades.filter(({ percent }) => percent === null).length;
  const exports = gradeExportsOf(state);
  const [keptId, setKeptId] = useState<string | null>(null);
  const day = localToday(at, timeZone);

  /** Saves a file and keeps what was exported with its date. */
  const exportAs = (name: string, blob: () => Blob) =>
    job.run(async () => {
      const trouble = troubleOf(await change({ type: "keepGradeExport", grades }));
      if (trouble) throw new Error(trouble);
      saveAs(blob(), name);
      return `${name} was saved with ${counted(grades.length, "grade")}; what it says is kept below.`;
    });

  return (
    <main className="mx-auto w-full max-w-[960px] px-[30px] pt-6 pb-16">
      <title>Final grades · Upright Quill</title>
      <UnderStep step="Release" to={`/courses/${params.slot}/release`} title="Final grades" />
      <BeforeExport {...{ waiting, undecided, without }} />
      <div className="mt-3 flex flex-wrap gap-3">
        <button
          type="button"
          className="act act-first"
          disabled={grades.length === 0}
          onClick={() =>
            void exportAs(
              `final-grades-${day}.csv`,
              () => new Blob([finalGradesCsv(grades, decimalMark)], { type: "text/csv;charset=utf-8" }),
            )
          }
        >
          Save as CSV
        </button>
        <button
          type="button"
          className="act act-quiet"
          disabled={grades.length === 0}
          onClick={() =>
            void exportAs(
              `roster-and-results-${day}.zip`,
              () => new Blob([rosterResultsArchive(state, at)], { type: "application/zip" }),
            )
          }
        >
          Save the open roster-and-results set
        </button>
      </div>
      <p className="mt-1.5 text-[13px] text-soft">
        {CSV_WORDS[decimalMark]} The set always has a point, as its standard says.
      </p>
      <p className="mt-1 text-[13.5px] text-soft">
        The set holds the roster, every assignment as a line item, every result, and the course total: ten CSV files in
        one archive, with the columns of version 1.1 of the open standard. Names and titles stand in them exactly as
        they are, also where one begins with “=”: read them in with a program made for such sets, and do not open them
        in a spreadsheet.
      </p>
      <JobStatus job={job} />
      <KeptExports exports={exports} grades={grades} timeZone={timeZone} chosen={keptId} onChoose={setKeptId} />
      <Reports state={state} entries={entries} seal={seal} today={day} job={job} />
      <details className="mt-6" open={exports.length === 0}>
        <summary className="cursor-pointer font-semibold">Grades as they stand now</summary>
        <RecordTable
          className="mt-2"
          label="Grades as they stand now"
          records={grades}
          columns={columns}
          keyOf={({ studentId }) => studentId}
        />
      </details>
    </main>
  );
}
