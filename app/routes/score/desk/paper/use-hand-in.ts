import { useState } from "react";
import type { Instant } from "#core/kernel";
import type { WorkFile } from "#core/model";
import type { Repository } from "#storage";
import { issueWords } from "../../../../ui/words/words";
import { takeInFiles } from "../../../../keep-files";
import { useChange } from "../../../../course/use-change";
import type { DeskRows } from "../rows";

export interface HandInActions {
  readonly trouble: string | null;
  /** All files become one attempt, or none of them is taken in. */
  readonly addFiles: (files: readonly File[]) => Promise<void>;
  readonly addPaper: () => Promise<void>;
  /** More files of the last attempt: parts of an archive, all or none. Answers what went wrong, or null. */
  readonly addParts: (files: readonly File[]) => Promise<string | null>;
}

/** Takes in work for a student: a file, or the word that it came on paper. */
export function useHandIn(repository: Repository, slot: string, rows: DeskRows): HandInActions {
  const change = useChange();
  const [trouble, setTrouble] = useState<string | null>(null);
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const add = async (at: Instant | null, files: WorkFile[]) => {
    const outcome = await change({ type: "addHandIn", ...place, at, files });
    return outcome.ok ? null : issueWords(outcome.issue);
  };
  return {
    trouble,
    addPaper: async () => {
      setTrouble(await add(null, []));
    },
    addParts: (files) =>
      takeInFiles(repository, slot, files, async (kept) => {
        const outcome = await change({ type: "takeIn", handIns: [{ ...place, at: null, files: kept, joins: true }] });
        return outcome.ok ? null : issueWords(outcome.issue);
      }),
    addFiles: async (files) => {
      const at = repository.surroundings.now();
      setTrouble(await takeInFiles(repository, slot, files, (kept) => add(at, kept)));
    },
  };
}
