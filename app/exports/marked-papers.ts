import type { Command } from "#core/changes";
import type { FileId, StudentId } from "#core/kernel";
import { rubricOf, type Assignment, type CourseState, type WorkFile } from "#core/model";
import { runPdfJob } from "../../workers/client";
import type { JobProgress } from "../ui/hooks/use-job";
import { readRemarks } from "./read-remarks";

/** Papers that were marked outside, with the files they are. */
interface MarkedPapers {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly papers: readonly {
    readonly marked: WorkFile;
    readonly studentId: StudentId;
    readonly file: WorkFile;
  }[];
  readonly readFile: (file: { readonly id: FileId }) => Promise<Blob | null>;
  readonly signal: AbortSignal;
  readonly tell: (progress: JobProgress) => void;
}

/** The remarks of papers that come back marked, as the one command that takes them in; `left` stand beside their work. */
export async function remarksOfPapers({ state, assignment, papers, readFile, signal, tell }: MarkedPapers) {
  const criteria = rubricOf(state, assignment)?.criteria.map(({ id, name }) => ({ id, name })) ?? [];
  const read: Extract<Command, { type: "takeInMarkedPapers" }>["papers"] = [];
  let beside = 0;
  for (const [done, { marked, studentId, file }] of papers.entries()) {
    tell({ words: `${String(done + 1)} of ${String(papers.length)}: ${marked.name}`, done, all: papers.length });
    const [back, blob] = await Promise.all([readFile(marked), readFile(file)]);
    if (!back || !blob) continue;
    const bytes = new Uint8Array(await back.arrayBuffer());
    const found = await runPdfJob((jobs) => jobs.readMarks(bytes), signal);
    const { remarks, left } = await readRemarks(back, found, { file, blob, criteria });
    beside += left;
    if (remarks.length > 0) read.push({ assignmentId: assignment.id, studentId, fileId: file.id, notes: [...remarks] });
  }
  return { papers: read, beside };
}
