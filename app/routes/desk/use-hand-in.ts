import { useState } from "react";
import type { FileId, Instant } from "#core/kernel";
import type { WorkFile } from "#core/model";
import type { Repository } from "#storage";
import { issueWords } from "../../ui/words";
import { useChange } from "../../use-change";
import type { DeskRows } from "./rows";

const MEDIA_TYPES: Readonly<Record<string, WorkFile["mediaType"]>> = {
  pdf: "application/pdf",
  md: "text/markdown",
  markdown: "text/markdown",
  txt: "text/plain",
};

export interface HandInActions {
  readonly trouble: string | null;
  readonly addFile: (file: File) => Promise<void>;
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
    addFile: async (file) => {
      const mediaType = MEDIA_TYPES[file.name.split(".").at(-1)?.toLowerCase() ?? ""];
      if (!mediaType) {
        setTrouble(`${file.name} cannot be shown here. Choose a PDF, Markdown or text file.`);
        return;
      }
      if (file.size === 0) {
        setTrouble(`${file.name} is empty (0 bytes). Ask the student for it again; nothing was taken in.`);
        return;
      }
      const id = `file:${repository.surroundings.fresh()}` as FileId;
      try {
        await repository.keepFile(slot, id, new Blob([await file.arrayBuffer()], { type: mediaType }));
      } catch (error) {
        const why = error instanceof Error ? error.message : "the browser refused it";
        setTrouble(`${file.name} could not be kept: ${why}. Free some space and add it again; nothing was taken in.`);
        return;
      }
      await add(repository.surroundings.now(), [{ id, name: file.name.slice(0, 200), mediaType, size: file.size }]);
    },
  };
}
