import { filesOut } from "#core/collect";
import { scoresSheets } from "#core/formats";
import type { Assignment, CourseState } from "#core/model";
import type { Repository } from "#storage";
import { runCopyJobs, runTableJob, StoppedError } from "../../workers/client";
import type { MadeFile } from "../../workers/protocol";
import type { JobProgress } from "../ui/hooks/use-job";

/** Which hand-ins are packed, and from where their files are read. */
interface ArchiveWish {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly repository: Repository;
  readonly slot: string;
  readonly signal: AbortSignal;
  readonly tell: (progress: JobProgress) => void;
}

/**
 * All hand-ins of an assignment as an archive: a folder a student with the files as they came, and a spreadsheet for scores
 * and comments. What is marked in it comes back by the tray. Answers the archive and how many files are in it.
 * @throws StoppedError when stopped
 */
export async function handInsArchive({ state, assignment, repository, slot, signal, tell }: ArchiveWish) {
  const out = filesOut(state, assignment);
  const made: MadeFile[] = [];
  for (const [done, { path, file }] of out.entries()) {
    if (signal.aborted) throw new StoppedError();
    tell({ words: `${String(done + 1)} of ${String(out.length)}: ${path}`, done, all: out.length });
    const blob = await repository.readFile(slot, file.id);
    if (blob) made.push({ name: path, mediaType: file.mediaType, bytes: new Uint8Array(await blob.arrayBuffer()) });
  }
  const wish = { assignmentIds: [assignment.id], comments: true, totals: false, section: true, standing: false };
  const sheets = scoresSheets(state, wish, repository.surroundings.now());
  const sheet = await runTableJob((jobs) => jobs.writeSheets(sheets, "xlsx", "point"), signal);
  made.push({ name: "Scores.xlsx", mediaType: sheet.type, bytes: new Uint8Array(await sheet.arrayBuffer()) });
  const bytes = await runCopyJobs((jobs) => jobs.pack(made), signal);
  return { archive: new Blob([bytes], { type: "application/zip" }), files: made.length - 1 };
}
