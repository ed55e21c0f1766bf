import { useState } from "react";
import { useNavigate } from "react-router";
import type { Repository } from "#storage";
import type { Job } from "../../../ui/hooks/use-job";
import { LockFactFields } from "./lock-facts";
import { moved } from "./moved";
import { NewPassphrase } from "./new-passphrase";

interface PutOnProps {
  readonly repository: Repository;
  readonly slot: string;
  /** What somebody who knows the course would try first. */
  readonly known: readonly string[];
  readonly job: Job;
  readonly onTrouble: () => void;
}

/** Puts a lock on a course that has none. */
export function PutOn({ repository, slot, known, job, onTrouble }: PutOnProps) {
  const navigate = useNavigate();
  const [facts, setFacts] = useState({ label: "Locked course", idleMinutes: 15 });
  const [typed, setTyped] = useState({ passphrase: "", again: "" });
  const isReady = typed.passphrase !== "" && typed.passphrase === typed.again && facts.label.trim() !== "";
  return (
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isReady) return;
        void job.run(async (signal, tell) => {
          const wish = { ...facts, label: facts.label.trim(), passphrase: typed.passphrase };
          const to = await moved({ repository, slot, signal, tell, onTrouble }, wish, slot);
          await navigate(`/courses/${to}/lock`, { replace: true });
          return "The course is locked with this passphrase from now on. Make a recovery sheet next.";
        });
      }}
    >
      <p>
        With a lock, what this browser keeps of the course (scores, comments, files, journal, what is half-typed) is
        unreadable without the passphrase.{" "}
        <strong>Without the passphrase, and without the recovery sheet, nobody can read it again</strong>; there is no
        other way in. Keep a course file outside this browser. What lay open before may stand in the browser&apos;s
        files until it clears them.
      </p>
      <NewPassphrase
        known={known}
        {...typed}
        onPassphrase={(passphrase, again) => {
          setTyped({ passphrase, again });
        }}
      />
      <LockFactFields {...facts} onChange={setFacts} />
      <p>
        <button type="submit" className="act act-first" disabled={!isReady || job.progress !== null}>
          Lock the course
        </button>
      </p>
    </form>
  );
}
