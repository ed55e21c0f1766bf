import { useState } from "react";
import type { FileId, Instant } from "#core/kernel";
import { mediaTypeOf, type WorkFile } from "#core/model";
import type { Repository } from "#storage";
import { issueWords } from "../../ui/words";
import { useChange } from "../../use-change";
import type { DeskRows } from "./rows";

/** Most bytes of one file. */
const MOST_BYTES = 200_000_000;

export interface HandInActions {
  readonly trouble: string | null;
  /** All files become one attempt, or none of them is taken in. */
  readonly addFiles: (files: readonly File[]) => Promise<void>;
  readonly addPaper: () => Promise<void>;
}

/** Takes in work for a student: a file, or the word that it came on paper. */
export function useHandIn(repository: Repository, slot: string, rows: DeskRows): HandInActions {
  const change = useChange();
  const [trouble, setTrouble] = useState<string | null>(null);
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
  const add = async (at: Instant | null, files: WorkFile[]) => {
    const outcome = await change({ type: "addHandIn", ...place, at, files });
    setTrouble(outcome.ok ? null : issueWords(outcome.issue));
  };
  return {
    trouble,
    addPaper: () => add(null, []),
    addFiles: async (files) => {
      const unfit = files.find(({ size }) => size === 0 || size > MOST_BYTES);
      if (unfit) {
        const what = unfit.size === 0 ? "is empty (0 bytes)" : "is larger than 200 MB";
        setTrouble(`${unfit.name} ${what}. Ask the student for it again; nothing was taken in.`);
        return;
      }
      const kept: WorkFile[] = [];
      for (const file of files) {
        const id = `file:${repository.surroundings.fresh()}` as FileId;
        const mediaType = mediaTypeOf(file.name);
        try {
          await repository.keepFile(slot, id, new Blob([await file.arrayBuffer()], { type: mediaType }));
        } catch (error) {
          const why = error instanceof Error ? error.message : "the browser refused it";
          setTrouble(`${file.name} could not be kept: ${why}. Free some space and add it again; nothing was taken in.`);
          return;
        }
        kept.push({ id, name: file.name.slice(0, 200), mediaType, size: file.size });
      }
      if (kept.length > 0) await add(repository.surroundings.now(), kept);
    },
  };
}
