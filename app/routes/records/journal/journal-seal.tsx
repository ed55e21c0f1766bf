import { useState } from "react";
import type { CourseSession } from "#storage";
import { checkJournal } from "../../../exports/journal-check";
import { JobStatus } from "../../../ui/dialogs/job-status";
import { useJob } from "../../../ui/hooks/use-job";
import { tellNews } from "../../../ui/news/tell";

interface JournalSealProps {
  readonly session: CourseSession;
  /** Six groups of five digits; empty before anything is kept. */
  readonly seal: string;
}

/** The seal of the journal, to be noted elsewhere, and whether all of it is as it was written. */
export function JournalSeal({ session, seal }: JournalSealProps) {
  const job = useJob();
  const [earlier, setEarlier] = useState("");
  return (
    <details className="mt-2 text-[14px]">
      <summary className="cursor-pointer text-soft">
        Seal: <span className="figures select-all">{seal || "none yet"}</span>
      </summary>
      <div className="mt-2 max-w-prose border-s-2 border-rule ps-4">
        <p>
          Every change carries a sum that takes in all changes before it. Whoever changes the past changes the seal:
          note it somewhere else, on paper or in a message, and compare.
        </p>
        <div className="mt-3 flex flex-wrap items-end gap-4">
          <button
            type="button"
            className="act act-quiet"
            disabled={seal === ""}
            onClick={() => {
              void navigator.clipboard.writeText(seal).then(() => {
                tellNews({ words: "The seal was copied." });
              });
            }}
          >
            Copy the seal
          </button>
          <label>
            <span className="block text-[13px] text-soft">A seal noted earlier, if there is one</span>
            <input
              className="field figures w-80"
              autoComplete="off"
              value={earlier}
              onChange={(event) => {
                setEarlier(event.target.value);
              }}
            />
          </label>
          <button
            type="button"
            className="act"
            disabled={job.progress !== null}
            onClick={() =>
              void job.run(async (signal, tell) => {
                const { words, isWhole } = await checkJournal(session, earlier, signal, tell);
                if (!isWhole) throw new Error(words);
                return words;
              })
            }
          >
            Check the journal
          </button>
        </div>
        <JobStatus job={job} />
      </div>
    </details>
  );
}
