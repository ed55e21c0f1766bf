import { Link, useNavigate } from "react-router";
import type { CourseSession, Damage, Repository } from "#storage";
import { counted, momentText } from "#core/words";
import { goOnInCopy } from "../../exports/course-file";
import { JobStatus } from "../../ui/dialogs/job-status";
import { useJob } from "../../ui/hooks/use-job";

interface DamageStateProps {
  readonly repository: Repository;
  readonly session: CourseSession;
  readonly damage: Damage;
  readonly timeZone: string;
}

/** Says on every screen what of a course cannot be read, that nothing can be changed in it, and how to go on. */
export default function DamageState({ repository, session, damage, timeZone }: DamageStateProps) {
  const navigate = useNavigate();
  const job = useJob();
  const { seq, lost, kept, since } = damage;
  const home = `/courses/${session.slot}`;
  const from = `change ${String(seq)} on${since ? ` (the last one before it: ${momentText(since, timeZone)})` : ""}`;
  return (
    <section role="alert" className="border-b border-wax bg-wax-wash px-[18px] py-2 text-sm">
      <p>
        <strong>Part of what this browser kept of this course is damaged.</strong>{" "}
        {kept
          ? `The record of ${counted(lost, "change")} cannot be read, from ${from}; every score, comment and file they led to is here.`
          : `${counted(lost, "change")} cannot be read, from ${from}; the course is shown as it was before.`}{" "}
        It can be looked at and saved; nothing can be changed in it.
      </p>
      <p className="mt-1 flex flex-wrap items-center gap-x-4">
        <button
          type="button"
          className="link font-semibold"
          disabled={job.progress !== null}
          onClick={() =>
            void job.run(async (signal, tell) => {
              const slot = await goOnInCopy(repository, session, signal, tell);
              await navigate(`/courses/${slot}`);
              return "Work goes on in this copy; the damaged course stays as it is.";
            })
          }
        >
          Go on in a copy of it
        </button>
        <Link className="link" to={`${home}/files#course-file`}>
          Make a course file of what is here
        </Link>
        <Link className="link" to="/courses">
          Read in an earlier course file
        </Link>
      </p>
      {(job.progress !== null || job.said !== null) && <JobStatus job={job} />}
    </section>
  );
}
