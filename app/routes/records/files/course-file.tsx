import { useState } from "react";
import { counted, longMomentText } from "#core/words";
import type { CourseSession, Repository } from "#storage";
import { makeCourseFile } from "../../../exports/course-file";
import { LockField } from "../../../ui/fields/lock-field";
import type { Job } from "../../../ui/hooks/use-job";

interface CourseFileProps {
  readonly repository: Repository;
  readonly session: CourseSession;
  readonly title: string;
  /** How many handed-in files go with it. */
  readonly files: number;
  readonly saved: { readonly at: string; readonly seq: number } | null;
  readonly timeZone: string;
  readonly job: Job;
  readonly onMade: () => void;
}

/** The course as one file, locked if wished, and when it was last saved outside of this browser. */
export function CourseFile({ repository, session, title, files, saved, timeZone, job, onMade }: CourseFileProps) {
  const [passphrase, setPassphrase] = useState("");
  const changes = session.seq - (saved?.seq ?? 0);
  return (
    <>
      <p>
        Everything of {title} in one archive of open formats: every record, every change, and{" "}
        {counted(files, "handed-in file")} as {files === 1 ? "it" : "they"} came. Keep one outside this browser.
      </p>
      <p className="mt-1.5 text-[14px] text-soft">
        {saved === null
          ? "It was never saved outside of this browser."
          : `Last saved outside of this browser on ${longMomentText(saved.at, timeZone)}; ${changes === 0 ? "nothing was changed since" : `${counted(changes, "change")} since`}.`}
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-4">
        <LockField passphrase={passphrase} onPassphrase={setPassphrase} />
        <button
          type="button"
          className="act act-first"
          disabled={job.progress !== null}
          onClick={() =>
            void job
              .run((signal, tell) => makeCourseFile(repository, session, signal, tell, { passphrase }))
              .then(onMade)
          }
        >
          Make a course file
        </button>
      </div>
      {passphrase !== "" && (
        <p className="mt-1.5 text-[13px] text-soft">
          It becomes an age file: the free age program opens it with the passphrase, and so does Upright Quill. Without
          the passphrase nobody can.
        </p>
      )}
    </>
  );
}
