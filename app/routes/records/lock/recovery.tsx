import { useState } from "react";
import { momentText } from "#core/words";
import type { LockFacts, Repository } from "#storage";
import { recoverySheetPdf } from "../../../exports/recovery-sheet";
import { CODE_GROUPS, newPassphrase } from "../../../locks/passphrase";
import type { Job } from "../../../ui/hooks/use-job";
import { saveAs } from "../../../ui/save-as";

interface RecoveryProps {
  readonly repository: Repository;
  readonly slot: string;
  readonly facts: LockFacts;
  readonly timeZone: string;
  readonly job: Job;
  readonly onMade: () => void;
}

/** The printed second way in. */
export function Recovery({ repository, slot, facts, timeZone, job, onMade }: RecoveryProps) {
  const [code, setCode] = useState<string | null>(null);
  const { recoveryMadeAt, label } = facts;
  const make = () =>
    void job.run(async (signal) => {
      const made = newPassphrase(CODE_GROUPS);
      const at = repository.surroundings.now();
      const pdf = await recoverySheetPdf({ label, code: made, madeOn: momentText(at, timeZone) }, signal);
      await repository.locksmith.keepRecovery(slot, made, at);
      saveAs(pdf, "recovery-sheet.pdf");
      setCode(made);
      onMade();
      return "recovery-sheet.pdf was saved. Print it, put it away, and delete the file.";
    });
  return (
    <div className="grid justify-items-start gap-3">
      <p>
        {recoveryMadeAt
          ? `A recovery sheet was made on ${momentText(recoveryMadeAt, timeZone)}. A new one takes its place.`
          : "There is none: if the passphrase is forgotten, the course cannot be read again."}
      </p>
      <button type="button" className="act" disabled={job.progress !== null} onClick={make}>
        {recoveryMadeAt ? "Make a new recovery sheet" : "Make a recovery sheet"}
      </button>
      {code && (
        <p>
          Its code, shown this once: <strong className="figures block pt-1 text-[17px] select-all">{code}</strong>
        </p>
      )}
    </div>
  );
}
