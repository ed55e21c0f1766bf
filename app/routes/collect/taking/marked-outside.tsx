import type { FileId } from "#core/kernel";
import type { Assignment, CourseState } from "#core/model";
import { counted } from "#core/words";
import { useChange } from "../../../course/use-change";
import { useNews } from "../../../course/use-news";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { troubleOf } from "../../../ui/hooks/use-command";
import { useJob } from "../../../ui/hooks/use-job";
import type { TrayRows } from "../rows";

/** Papers that left with the hand-ins and come back marked: their remarks are taken in as one step. */
export function MarkedOutside({
  state,
  assignment,
  marked,
  readFile,
  onDone,
}: {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly marked: TrayRows["marked"];
  readonly readFile: (file: { readonly id: FileId }) => Promise<Blob | null>;
  readonly onDone: (pieces: readonly TrayRows["marked"][number]["piece"][]) => void;
}) {
  const job = useJob();
  const change = useChange();
  const news = useNews();
  const take = () =>
    job.run(async (signal, tell) => {
      const { remarksOfPapers } = await import("../../../exports/marked-papers");
      const papers = marked.map(({ piece, studentId, file }) => ({ marked: piece.file, studentId, file }));
      const read = await remarksOfPapers({ state, assignment, papers, readFile, signal, tell });
      const left = read.beside === 0 ? "" : ` ${counted(read.beside, "remark")} beside the work left out.`;
      if (read.papers.length === 0) return `There are no remarks in ${counted(papers.length, "file")}.${left}`;
      const outcome = await change({ type: "takeInMarkedPapers", papers: read.papers });
      const isNew = outcome.ok || outcome.issue.code !== "nothing_to_change";
      const trouble = isNew ? troubleOf(outcome) : null;
      if (trouble) throw new Error(trouble);
      news(outcome);
      onDone(marked.map(({ piece }) => piece));
      return isNew ? `Taken in.${left}` : `Every remark stands here already.${left}`;
    });
  if (marked.length === 0 && !job.progress && !job.said) return null;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-4 border-s-2 border-plum ps-3 text-[14.5px]">
      {marked.length > 0 && (
        <>
          {counted(marked.length, "paper")} left from here and {marked.length === 1 ? "comes" : "come"} back marked.
          <button type="button" className="act" disabled={job.progress !== null} onClick={() => void take()}>
            Take in the remarks
          </button>
        </>
      )}
      <JobStatus job={job} />
    </div>
  );
}
