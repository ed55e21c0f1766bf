import { useState } from "react";
import type { StudentId } from "#core/kernel";
import { scoresSheets } from "#core/formats";
import { assignmentsOf, courseOf, type Assignment, type CourseState } from "#core/model";
import type { Repository } from "#storage";
import { counted } from "#core/words";
import { runTableJob } from "../../../../workers/client";
import type { SheetFormat } from "../../../../workers/protocol";
import { CSV_WORDS } from "../../../ui/words/figures";
import { Choice } from "../../../ui/fields/choice";
import { Tick } from "../../../ui/fields/tick";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { useJob, type Job } from "../../../ui/hooks/use-job";
import { saveAs } from "../../../ui/save-as";
import { Covers } from "./covers";

const FORMATS: readonly SheetFormat[] = ["xlsx", "ods", "csv"];

interface TakeOutProps {
  readonly repository: Repository;
  readonly slot: string;
  readonly state: CourseState;
  readonly assignment: Assignment;
  /** Who is still out. */
  readonly out: readonly StudentId[];
}

/** The scores of a class as a spreadsheet, to be filled in anywhere and dropped here again. */
export function TakeOut({ state, assignment, repository, slot, out }: TakeOutProps) {
  const [prints, setPrints] = useState(false);
  const job = useJob();
  const pack = () =>
    job.run(async (signal, tell) => {
      const { handInsArchive } = await import("../../../exports/hand-ins");
      const { archive, files } = await handInsArchive({ state, assignment, repository, slot, signal, tell });
      const name = `${assignment.shortName} hand-ins.zip`;
      saveAs(archive, name);
      return `${name} was saved with ${counted(files, "file")}.`;
    });
  return (
    <section aria-label="Out and back" className="mt-8">
      <SheetOut state={state} assignment={assignment} repository={repository} job={job} />
      <h2 className="mt-6 text-[14px] font-semibold">Mark elsewhere</h2>
      <p className="text-[13px] text-soft">
        All hand-ins as an archive, a folder a student. Mark the PDF files in any program, drop the archive here.
      </p>
      <p className="mt-1 text-[14px]">
        <button type="button" className="link" onClick={() => void pack()}>
          Hand-ins of {assignment.name}
        </button>
      </p>
      <JobStatus job={job} />
      <h2 className="mt-6 text-[14px] font-semibold">On paper</h2>
      <p className="text-[13px] text-soft">
        Cover sheets or labels with a code. Scan the pile in any order and drop the scan here.
      </p>
      <p className="mt-1 text-[14px]">
        <button
          type="button"
          aria-haspopup="dialog"
          className="link"
          onClick={() => {
            setPrints(true);
          }}
        >
          Codes for a pile
        </button>
      </p>
      {prints && (
        <Covers
          state={state}
          assignment={assignment}
          out={out}
          readFile={({ id }) => repository.readFile(slot, id)}
          onClose={() => {
            setPrints(false);
          }}
        />
      )}
    </section>
  );
}

/** What goes into the spreadsheet, and its formats. */
function SheetOut({
  state,
  assignment,
  repository,
  job,
}: Pick<TakeOutProps, "state" | "assignment" | "repository"> & { readonly job: Job }) {
  const [what, setWhat] = useState<"one" | "all">("one");
  const [comments, setComments] = useState(true);
  const [section, setSection] = useState(true);
  const [standing, setStanding] = useState(false);
  const save = (format: SheetFormat) =>
    job.run(async (signal) => {
      const assignmentIds = what === "one" ? [assignment.id] : assignmentsOf(state).map(({ id }) => id);
      const sheets = scoresSheets(
        state,
        { assignmentIds, comments, section, standing, totals: what === "all" },
        repository.surroundings.now(),
      );
      const blob = await runTableJob((jobs) => jobs.writeSheets(sheets, format, courseOf(state).decimalMark), signal);
      const name = `${what === "one" ? assignment.shortName : courseOf(state).shortTitle} scores.${format}`;
      saveAs(blob, name);
      return `${name} was saved.`;
    });
  return (
    <>
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
      <div className="mt-1 grid gap-0.5">
        <Tick checked={comments} onChange={setComments}>
          With comments
        </Tick>
        <Tick checked={section} onChange={setSection}>
          With sections
        </Tick>
        <Tick checked={standing} onChange={setStanding}>
          With standing and lateness
        </Tick>
      </div>
      <p className="mt-1 flex gap-4 text-[14px]">
        {FORMATS.map((format) => (
          <button key={format} type="button" className="link" onClick={() => void save(format)}>
            {format}
          </button>
        ))}
      </p>
      <p className="text-[13px] text-soft">{CSV_WORDS[courseOf(state).decimalMark]}</p>
    </>
  );
}
