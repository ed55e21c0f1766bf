import { useState } from "react";
import { scoresSheets } from "#core/formats";
import type { Instant } from "#core/kernel";
import { assignmentsOf, courseOf, type Assignment, type CourseState } from "#core/model";
import { runTableJob } from "../../../workers/client";
import type { SheetFormat } from "../../../workers/protocol";
import { Choice } from "../../ui/fields/choice";
import { Tick } from "../../ui/fields/tick";
import { JobStatus } from "../../ui/dialogs/job-status";
import { useJob } from "../../ui/hooks/use-job";
import { saveAs } from "../../ui/save-as";

const FORMATS: readonly SheetFormat[] = ["xlsx", "ods", "csv"];

/** The scores of a class as a spreadsheet, to be filled in anywhere and dropped here again. */
export function TakeOut({
  state,
  assignment,
  now,
}: {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly now: Instant;
}) {
  const [what, setWhat] = useState<"one" | "all">("one");
  const [comments, setComments] = useState(true);
  const job = useJob();
  const save = (format: SheetFormat) =>
    job.run(async (signal) => {
      const assignmentIds = what === "one" ? [assignment.id] : assignmentsOf(state).map(({ id }) => id);
      const sheets = scoresSheets(state, { assignmentIds, comments, totals: what === "all" }, now);
      const blob = await runTableJob((jobs) => jobs.writeSheets(sheets, format), signal);
      const name = `${what === "one" ? assignment.shortName : courseOf(state).shortTitle} scores.${format}`;
      saveAs(blob, name);
      return `${name} was saved.`;
    });
  return (
    <section aria-label="Spreadsheet" className="mt-8">
      <h2 className="text-[14px] font-semibold">Spreadsheet</h2>
      <p className="text-[13px] text-soft">Take the class out, fill it in anywhere, drop it here.</p>
      <Choice
        label="What goes into the spreadsheet"
        className="mt-2 !py-1 text-[14px]"
        value={what}
        options={[
          ["one", assignment.name],
          ["all", "All work, with totals"],
        ]}
        onChoose={setWhat}
      />
      <Tick checked={comments} onChange={setComments}>
        With comments
      </Tick>
      <p className="mt-1 flex gap-4 text-[14px]">
        {FORMATS.map((format) => (
          <button key={format} type="button" className="link" onClick={() => void save(format)}>
            {format}
          </button>
        ))}
      </p>
      <JobStatus job={job} />
    </section>
  );
}
