import { useNavigate } from "react-router";
import type { Repository } from "#storage";
import type { Job } from "../../../ui/hooks/use-job";
import { LockFactFields } from "./lock-facts";
import { moved } from "./moved";
import { NewPassphrase } from "./new-passphrase";
import { z } from "zod/mini";
import { HeldField } from "../../../ui/forms/fields";
import { sending, useSchemaForm, useTypedIn } from "../../../ui/forms/use-schema-form";
import { chosenPassphrase, lockFacts } from "./lock-forms";

interface PutOnProps {
  readonly repository: Repository;
  readonly slot: string;
  /** What somebody who knows the course would try first. */
  readonly known: readonly string[];
  readonly job: Job;
  readonly onTrouble: () => void;
}

const putOnForm = z.object({ facts: lockFacts, chosen: chosenPassphrase });

/** Puts a lock on a course that has none. */
export function PutOn({ repository, slot, known, job, onTrouble }: PutOnProps) {
  const navigate = useNavigate();
  const form = useSchemaForm(putOnForm, {
    facts: { label: "Locked course", idleMinutes: 15 },
    chosen: { passphrase: "", again: "" },
  });
  const typed = useTypedIn(form);
  const isReady = putOnForm.safeParse(typed).success;
  return (
    <form
      className="grid gap-4"
      noValidate
      onSubmit={sending(form, async ({ facts, chosen: { passphrase } }) => {
        await job.run(async (signal, tell) => {
          const to = await moved({ repository, slot, signal, tell, onTrouble }, { ...facts, passphrase }, slot);
          await navigate(`/courses/${to}/lock`, { replace: true });
          return "The course is locked with this passphrase from now on. Make a recovery sheet next.";
        });
        return null;
      })}
    >
      <p>
        With a lock, what this browser keeps of the course (scores, comments, files, journal, what is half-typed) is
        unreadable without the passphrase.{" "}
        <strong>Without the passphrase, and without the recovery sheet, nobody can read it again</strong>; there is no
        other way in. Keep a course file outside this browser. What lay open before may stand in the browser&apos;s
        files until it clears them.
      </p>
      <HeldField form={form} name="chosen">
        {({ value, onChange }) => (
          <NewPassphrase
            known={known}
            {...value}
            onPassphrase={(passphrase, again) => {
              onChange({ passphrase, again });
            }}
          />
        )}
      </HeldField>
      <HeldField form={form} name="facts">
        {({ value, onChange }) => <LockFactFields {...value} onChange={onChange} />}
      </HeldField>
      <p>
        <button type="submit" className="act act-first" disabled={!isReady || job.progress !== null}>
          Lock the course
        </button>
      </p>
    </form>
  );
}
